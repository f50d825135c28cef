import { readFileSync } from 'node:fs';
import { printCell } from '@/core/document/blocks';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { kindOf, type Member } from '@/core/members/kinds';
import { readProject } from '@/core/project/read';

/** What the report says of a member's input: every value that was given, with its unit, and nothing that was not. */

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const demo = example('alderlight-playhouse.intarsia');
const us = example('alderlight-annex-us.intarsia');
const ferry = example('alderlight-ferry-house.intarsia');

function factsOf(project: Project, mark: string, change: (m: Member) => Member = (m) => m): Record<string, string> {
  const found = project.members.find((m) => m.mark === mark);
  if (!found) throw new Error(`no member ${mark}`);
  const member = change(found);
  const facts = kindOf(member).facts(member, designNow(project, member), project);
  return Object.fromEntries(facts.map(([label, value]) => [label, printCell(value, project.display)]));
}

describe('what a report says of the input', () => {
  test.each([
    ...demo.members.map((m) => [m.mark, demo] as const),
    ...[us, ferry].flatMap((p) => p.members.map((m) => [m.mark, p] as const)),
  ])('%s: every line says something', (mark, project) => {
    const facts = factsOf(project, mark);
    expect(Object.keys(facts).length).toBeGreaterThan(3);
    for (const [title, text] of Object.entries(facts)) {
      expect([title, text]).not.toEqual([title, '']);
      expect(`${title} ${text}`).not.toMatch(/NaN|undefined|null|Infinity/);
    }
  });

  test('a beam: spans, supports with their widths, covers, cases, combinations, both hand checks', () => {
    const facts = factsOf(demo, 'G2');
    expect(facts['Spans']!.replace(/\s/g, ' ')).toBe('7 200 mm, 8 400 mm, 6 000 mm');
    expect(facts['Supports']).toMatch(/^A pinned .* wide, B pinned/);
    expect(facts['Cover to links']).toMatch(/^top .*, bottom .*, sides /);
    expect(facts['Load cases']).toMatch(/^G .* \(permanent\); Q .* \(imposed, use C assembly\)/);
    expect(facts['Combinations']).toContain('U1: 1.35 ');
    expect(facts['Section']).toMatch(/wide, .* deep/);
    expect(facts['Crack width allowed']).toMatch(/ mm$/);
    expect(facts['Bars, span 1']).toMatch(/^bottom \d+H\d+.*; top \d+H\d+.*; H\d+ @ \d+/);
    expect(Object.entries(facts).filter(([, text]) => text.startsWith('by hand')).length).toBeGreaterThan(2);
    for (const [, text] of Object.entries(facts).filter(([, t]) => t.startsWith('by hand'))) expect(text).toMatch(/: agrees$/);
  });

  test('a column: how its effective length came about, and whether it is slender', () => {
    const facts = factsOf(demo, 'FC3');
    expect(facts['Bending about x']).toMatch(/^braced, effective length 5\.44 m \(factor given\), slenderness .* against .*: not slender$/);
    expect(facts['Bars']).toBe('8H25, 2.49 %');
    expect(facts['Ties']).toContain('H8 @ 200');
    expect(facts['Load sets']).toMatch(/, as given$/);
    const held = factsOf(demo, 'FC3', (m) =>
      m.type === 'column' ? { ...m, axes: { ...m.axes, x: { ...m.axes.x, isBraced: false, mode: 'length', length: 9000 } } } : m,
    );
    expect(held['Bending about x']).toMatch(/^unbraced, effective length 9\.00 m \(length given\)/);
  });

  test('a wall: bars of both meshes, cover to the outer bars', () => {
    const facts = factsOf(demo, 'DW1');
    expect(facts['Cover to the outer bars']).toBe('30.0 mm');
    expect(facts['Bars']).toMatch(/H16 @ 175 up, H10 @ 200 across, both faces, 1\.\d\d %/);
    expect(facts['Ties']).toBeUndefined();
  });

  test('a slab: how it is worked out', () => {
    const slab = factsOf(demo, 'CS1');
    expect(slab['Slab']).toMatch(/^200 mm deep, a strip a metre wide/);
    expect(slab['Bars across']).toMatch(/ below/);
  });

  test('a slab at a column: edges, openings, forces', () => {
    const facts = factsOf(demo, 'SP2');
    expect(facts['Edges from the column']).not.toBe('none near');
    expect(facts['Openings']).toMatch(/ at /);
    expect(facts['Concrete']).toMatch(/^C\d+\/\d+$/);
    expect(facts['Top bars']).toMatch(/^along x H\d+ @ \d+, along y/);
    const bare = factsOf(demo, 'SP1', (m) =>
      m.type === 'punching' ? { ...m, openings: [], edges: { left: null, right: null, bottom: null, top: null } } : m,
    );
    expect([bare['Edges from the column'], bare['Openings']]).toEqual(['none near', 'none']);
  });

  test('in US units nothing metric is left', () => {
    for (const { mark } of us.members) expect(Object.values(factsOf(us, mark)).join(' ')).not.toMatch(/\d (mm|kN|kNm|MPa)\b/);
  });
});
