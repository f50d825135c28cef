import { kindOf } from '@/core/members/kinds';
import { readFileSync } from 'node:fs';
import { readProjectText } from '@/exchange/project-text';
import { beamWords } from '@/features/beam/loads';
import type { BeamLoad } from '@/core/members/beam/input';
import { readLoads } from '@/exchange/paste-loads';
import { parseTable } from '@/exchange/paste-table';
import { derivedFor, memberPaper } from '@/core/project/member-paper';
import type { ReportDetail } from '@/core/members/member';
import { projectReport } from '@/core/project/project-report';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { drawingSvg } from '@/exchange/svg/drawing-svg';
import { runDesign } from '@/cli/design';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import { decisionFor } from '@/core/members/member';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';

const demoText = readFileSync('examples/alderlight-playhouse.intarsia', 'utf8');
const usText = readFileSync('examples/alderlight-annex-us.intarsia', 'utf8');
const open = (text: string) => {
  const read = readProjectText(text);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
};

describe('the project file', () => {
  test.each([
    ['EN', demoText],
    ['US', usText],
  ])('%s demo: written, read back and written again it is the same text, and the design is the same', (_, text) => {
    const project = open(text);
    const written = writeProject(project);
    const utilisations = (p: typeof project) => p.members.map((m) => designNow(p, m).governing!.utilisation!.toFixed(9));
    expect(utilisations(open(written))).toEqual(utilisations(project));
    expect(writeProject(open(written))).toBe(written);
  });
  test('units of the file and of single values', () => {
    const project = open(usText);
    const [w1] = project.members as readonly BeamMember[];
    expect(w1!.section.b).toBeCloseTo(355.6, 9);
    expect(w1!.spans[0]!.length).toBeCloseTo(24 * 304.8, 6);
    expect(JSON.parse(writeProject(project)).units.length).toBe('mm');
  });
  test('the least file is one beam with defaults', () => {
    const project = open('{"format":"intarsia","version":1,"members":[{}]}');
    expect(project.members[0]).toMatchObject({ id: 'm1', mark: 'B1', mode: 'loads', catalogue: 'metric' });
    expect((project.members[0] as BeamMember).supports).toHaveLength(2);
  });
  test('unknown fields are kept, known ones stay in order', () => {
    const project = open('{"format":"intarsia","version":1,"office":"north","members":[{"mark":"B7","crane":{"reach":12}}]}');
    const written = JSON.parse(writeProject(project));
    expect(written.office).toBe('north');
    expect(written.members[0].crane).toEqual({ reach: 12 });
    expect(Object.keys(written).slice(0, 3)).toEqual(['format', 'version', 'units']);
  });
  test('every fault is listed by its path', () => {
    const read = readProject({
      format: 'intarsia',
      version: 1,
      units: { length: 'kip' },
      members: [{ section: { h: 'tall' }, spans: [], loads: [{ type: 'point', case: 'Q' }], catalogue: 'roman' }],
    });
    expect(read.ok).toBe(false);
    const paths = read.ok ? [] : read.faults.map((f) => f.path);
    expect(paths).toEqual(
      expect.arrayContaining([
        'units.length',
        'members[0].section.h',
        'members[0].spans',
        'members[0].loads[0].at',
        'members[0].loads[0].force',
        'members[0].catalogue',
      ]),
    );
  });
  test.each([
    ['not json', 'damaged'],
    ['', 'empty'],
    ['[]', 'holds no object'],
    ['{"format":"other"}', 'must be "intarsia"'],
    ['{"format":"intarsia"}', 'version is missing'],
    ['{"format":"intarsia","version":7}', 'newer program'],
    ['{"format":"intarsia","version":1,"code":{"id":"bs8110"}}', 'There is no code'],
  ])('%s is refused', (text, reason) => {
    const read = readProjectText(text);
    expect(read.ok ? '' : read.faults[0]!.reason).toContain(reason);
  });
  test('two members never share an id', () => {
    const project = open('{"format":"intarsia","version":1,"members":[{"id":"a"},{"id":"a"},{}]}');
    expect(new Set(project.members.map((m) => m.id)).size).toBe(3);
  });
});

describe('the demo', () => {
  const project = open(demoText);
  test('one beam and one column fail for a reason in words, one is wasteful, all hand checks agree', () => {
    const results = project.members.map((m) => ({ m, r: designNow(project, m) }));
    const over = results.filter(({ r }) => r.checks.some((c) => c.status === 'exceeds'));
    expect(over.map(({ m }) => m.mark)).toEqual(['G2', 'DC1']);
    expect(over[0]!.r.governing!.reason).toMatch(/^Top bars at support B: needs .* has .*\.$/);
    const cloak = results.find(({ m }) => m.mark === 'FB2')!.r.checks.find((c) => c.id === 'bending-span-1')!;
    expect(cloak.utilisation).toBeLessThan(0.5);
    for (const { r } of results)
      for (const h of r.type === 'beam' ? r.handChecks : []) expect([h.title, h.agrees]).toEqual([h.title, true]);
  });
  test('a decision stands until the utilisation grows', () => {
    const member = { ...(project.members[0] as BeamMember), decisions: [{ check: 'x', reason: 'r', by: '', date: '', utilisation: 1.04 }] };
    expect(decisionFor(member, { id: 'x', utilisation: 1.03 })).toBeDefined();
    expect(decisionFor(member, { id: 'x', utilisation: 1.06 })).toBeUndefined();
  });
});

describe('the command line', () => {
  const read = (path: string) => {
    if (path === 'demo') return demoText;
    if (path === 'ok') return '{"format":"intarsia","version":1,"members":[{"mark":"B1"}]}';
    if (path === 'bad') return '{"format":"intarsia","version":1,"members":[{"mark":"B1","section":{"h":-1}}]}';
    throw new Error('no such file');
  };
  test('schedule, exit codes', async () => {
    const run = await runDesign(['demo'], read);
    expect(run.exitCode).toBe(1);
    expect(run.output).toMatch(/^Member +Title/);
    expect(run.output.trim().split('\n')).toHaveLength(2 + open(demoText).members.length);
    expect((await runDesign(['ok'], read)).exitCode).toBe(0);
    expect(await runDesign(['bad'], read)).toMatchObject({ exitCode: 2, errors: expect.stringContaining('members.B1.section.h') });
  });
  test('json: checks with derivations, every value with unit and clause', async () => {
    const run = await runDesign(['demo', '--json', '--member', 'FB1'], read);
    const json = JSON.parse(run.output);
    expect(json.members).toHaveLength(1);
    const bending = json.members[0].checks.find((c: { id: string }) => c.id === 'bending-span-1');
    expect(bending.demand.unit).toBe('kNm');
    const fcd = bending.derivation.find((s: { symbol?: string }) => s.symbol === 'f_cd');
    expect(fcd).toMatchObject({ value: 17, unit: 'MPa', clause: '(3.15)', formula: '(α_cc * f_ck) / γ_C', numbers: '(0.85 * 30) / 1.5' });
    expect(run.output).not.toMatch(/NaN|Infinity/);
  });
  test('another code, and wrong calls', async () => {
    expect((await runDesign(['ok', '--code', 'aci318/SI', '--json'], read)).output).toContain('ACI 318-19');
    for (const args of [
      [],
      ['missing'],
      ['ok', '--code', 'x'],
      ['ok', '--what'],
      ['ok', '--member'],
      ['ok', '--member', 'Z9'],
      ['ok', 'demo'],
    ])
      expect((await runDesign(args, read)).exitCode).toBe(2);
  });
});

describe('pasted tables', () => {
  const cases = [{ id: 'Q', title: 'Imposed', nature: 'imposed', category: 'A', pattern: true } as const];
  test('tabs, semicolons, commas as decimal marks', () => {
    expect(parseTable('a\tb\n\n1,5\t2')).toEqual([
      ['a', 'b'],
      ['1,5', '2'],
    ]);
    expect(parseTable('a;b')).toEqual([['a', 'b']]);
  });
  test('loads of every type, rubbish refused row by row', () => {
    const text = [
      'Q\tuniform\tall\t12,5',
      'q\tpartial\t2\t5\t0\t2 m',
      'Imposed\ttrap\t1\t2\t8\t0\t4000',
      'Q\tpoint\t1\t40 kN\t1.5 m',
      'Q\tmoment\t2\t-20\t500',
      'Q\tpoint\tall\t4\t1',
      'Q\twave\t1\t3',
      '2026-01-01',
      'Q\tpoint\t1\tmany\t1',
    ].join('\n');
    const { loads, refused } = readLoads<BeamLoad>(text, beamWords, { cases, spans: [0, 1] }, 'SI');
    expect(loads).toHaveLength(5);
    expect(loads[0]).toMatchObject({ value: 12.5, span: 'all' });
    expect(loads[3]).toMatchObject({ force: 40_000, at: 1500, span: 0 });
    expect(refused.map((r) => r.row)).toEqual([6, 7, 8, 9]);
  });
});

describe('the report', () => {
  const project = open(demoText);
  const [g2] = project.members;
  const paperOf = (level: ReportDetail) => memberPaper(project, g2!, designNow(project, g2!, derivedFor(level)), level);
  test('the level decides which derivations are shown; assumptions stand with what is usual and what is set', () => {
    const steps = (level: ReportDetail) => paperOf(level).filter((b) => b.kind === 'steps').length;
    expect(steps('summary')).toBe(0);
    expect(steps('working')).toBeGreaterThan(0);
    expect(steps('full')).toBeGreaterThan(steps('working'));
    const assumptions = paperOf('full').find((b) => b.kind === 'table' && b.title === 'Assumptions');
    expect(assumptions?.kind === 'table' && assumptions.rows.find((r) => r[2] === '3.1.7')).toMatchObject([
      expect.any(String),
      'rectangular block',
      '3.1.7',
      'default',
    ]);
  });
  test('the document holds title block, numbers as text and vector drawings', () => {
    const text = JSON.stringify(
      reportDocument(projectReport(project, [{ member: g2!, result: designNow(project, g2!), blocks: paperOf('working') }], false)),
    );
    for (const part of ['Gallery beam G2', 'EN 1992-1-1 with UK annex', '439.1 kNm', 'Fire resistance', '<svg'])
      expect(text).toContain(part);
    expect(text).not.toContain('NaN');
  });
  test('drawings escape what a file says', () => {
    const beam = g2 as BeamMember;
    const evil = {
      ...beam,
      cases: beam.cases.map((c) => ({ ...c, id: `<script>${c.id}` })),
      loads: beam.loads.map((l) => ({ ...l, case: `<script>${l.case}` })),
    };
    const result = designNow(project, evil);
    const svg = kindOf(evil)
      .figures(evil, result, project)
      .map((d) => drawingSvg(d.drawing, 'Roboto'))
      .join('');
    expect(svg).toContain('&lt;script&gt;');
    expect(svg).not.toContain('<script>');
    expect(svg).not.toContain('NaN');
  });
});
