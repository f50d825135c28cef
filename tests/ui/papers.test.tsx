import { render } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import type { Block } from '@/core/document/blocks';
import type { Member } from '@/core/members/kinds';
import type { ReportDetail } from '@/core/members/member';
import { designNow } from '@/core/project/design-member';
import { derivedFor, memberPaper } from '@/core/project/member-paper';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { BlockView } from '@/ui/paper/Blocks';

/** Print and PDF are two renderers of the same blocks: what one says, the other says. */

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const demos = ['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia'].map(example);
const members = demos.flatMap((project) => project.members.map((member) => [member.mark, project, member] as const));
const paperOf = (project: Project, member: Member, level: ReportDetail) =>
  memberPaper(project, member, designNow(project, member, derivedFor(level)), level);

/** Words in their order, without spaces that only set them; formulas are pictures or markup and are left out. */
const words = (text: string) =>
  text
    .replace(/[\u202f\u00a0]/g, ' ')
    .split(/\s+/)
    .filter((w) => w !== '' && w !== '=');

function screenWords(project: Project, blocks: readonly Block[]): string[] {
  const { container } = render(
    <>
      {blocks.map((block, i) => (
        <BlockView key={i} block={block} units={project.display} />
      ))}
    </>,
  );
  container.querySelectorAll('svg, math').forEach((el) => el.remove());
  // Table cells and paragraphs are words of their own.
  container.querySelectorAll('td, th, p, h1, h2, figcaption, span, b').forEach((el) => el.append(' '));
  return words(container.textContent ?? '');
}

const part = (blocks: readonly Block[]) => ({ id: 'm', title: 'M', blocks, isOnePage: false });

function pdfWords(project: Project, blocks: readonly Block[]): string[] {
  const { content } = reportDocument({
    title: '',
    author: '',
    units: project.display,
    paper: 'A4',
    titleBlock: [],
    cover: null,
    parts: [part(blocks)],
  });
  const walk = (value: unknown): string => {
    if (typeof value === 'string') return `${value} `;
    if (Array.isArray(value)) return value.map(walk).join('');
    if (typeof value !== 'object' || value === null) return '';
    const { text, table, stack, relativePosition } = value as Record<'text' | 'stack' | 'relativePosition', unknown> & {
      table?: { body?: unknown };
    };
    // Parts of formulas stand at places of their own.
    if (relativePosition) return '';
    return walk(text) + walk(table?.body) + walk(stack);
  };
  return words(walk(content));
}

const sorted = (list: readonly string[]) => [...list].sort();

describe('print and PDF', () => {
  test.each(members)('%s: the same words', (_mark, project, member) => {
    for (const level of ['summary', 'working'] as const) {
      const blocks = paperOf(project, member, level);
      expect(sorted(pdfWords(project, blocks))).toEqual(sorted(screenWords(project, blocks)));
    }
  });

  test.each(members)('%s: every level begins with what was put in', (_mark, project, member) => {
    for (const level of ['summary', 'working', 'full'] as const) {
      const blocks = paperOf(project, member, level);
      const first = blocks.findIndex((b) => b.kind === 'facts');
      expect(first).toBe(2);
      expect(blocks.findIndex((b) => b.kind === 'checks')).toBeGreaterThan(first);
      const facts = blocks[first]!;
      const labels = facts.kind === 'facts' ? facts.rows.map(([label]) => label) : [];
      expect(labels).toEqual(expect.arrayContaining(['Concrete', 'Reinforcing steel']));
      expect(labels.some((l) => /^Cover|^Slab$/.test(l))).toBe(true);
      expect(JSON.stringify(blocks)).not.toMatch(/NaN|undefined/);
    }
  });
});
