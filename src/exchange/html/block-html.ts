import type { Step } from '@/core/calc/calc';
import { mathml } from '@/core/calc/notations';
import { printStep } from '@/core/calc/typeset';
import {
  CHECK_COLUMNS,
  printCell,
  printCheck,
  printCompared,
  printGoverning,
  printHead,
  printStanding,
  type Block,
} from '@/core/document/blocks';
import { formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { drawingSvg } from '../svg/drawing-svg';

export const escapeHtml = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

const tag = (name: string, inner: string, look = '') => `<${name}${look && ` class="${look}"`}>${inner}</${name}>`;
const e = escapeHtml;

interface HtmlTable {
  readonly head?: readonly string[];
  /** Cells as HTML. */
  readonly rows: readonly (readonly string[])[];
  readonly isNumber?: readonly (boolean | undefined)[];
}

/** A table; head cells are text, others HTML. */
export function htmlTable({ head, rows, isNumber = [] }: HtmlTable): string {
  const side = (i: number) => (isNumber[i] ? 'number' : '');
  const line = (cells: readonly string[], name: string) => tag('tr', cells.map((c, i) => tag(name, c, side(i))).join(''));
  return tag('table', (head ? tag('thead', line(head.map(e), 'th')) : '') + tag('tbody', rows.map((r) => line(r, 'td')).join('\n')));
}

const section = (title: string, inner: string) => tag('section', tag('h2', e(title)) + inner);
const foot = (text: string | undefined) => (text ? tag('p', e(text), 'quiet') : '');

/** A block as HTML: tables, MathML and drawings as SVG. */
export function blockHtml(block: Block, units: UnitSystem): string {
  switch (block.kind) {
    case 'heading':
      return tag(block.level === 1 ? 'h1' : 'h2', e(block.text));
    case 'text':
      return tag('p', e(block.text), block.tone);
    case 'facts':
      return section(
        block.title,
        htmlTable({ rows: block.rows.map(([label, value]) => [tag('span', e(label), 'quiet'), e(printCell(value, units) || '–')]) }),
      );
    case 'table':
      return section(
        block.title,
        htmlTable({
          head: block.columns.map((c) => printHead(c, units)),
          rows: block.rows.map((row) => row.map((cell, i) => e(printCell(cell, units, block.columns[i])))),
          isNumber: block.columns.map((c) => c.isNumber),
        }) + foot(block.foot),
      );
    case 'figure':
      return tag('figure', tag('figcaption', e(block.caption), 'quiet') + drawingSvg(block.drawing, 'sans-serif'));
    case 'governs':
      return tag('p', tag('b', 'Governs: ') + e(printGoverning(block.check, block.isDecided)));
    case 'checks':
      return section(
        'Checks',
        htmlTable({
          head: CHECK_COLUMNS.map((c) => c.title),
          rows: block.rows.map(({ check, isDecided }) => {
            const cells = printCheck(check, isDecided, units).map(e);
            return [...cells.slice(0, -1), check.status === 'exceeds' ? tag('b', cells.at(-1)!, 'fault') : cells.at(-1)!];
          }),
        }) + foot(block.foot),
      );
    case 'steps':
      return section(
        `${block.check.title} · ${printStanding(block.check, block.isDecided)}`,
        tag('p', e(printCompared(block.check, units)), 'quiet') + stepsHtml(block.steps, units),
      );
    case 'decision': {
      const { title, utilisation, reason, by } = block.decision;
      const said = `Engineer’s decision. ${title} accepted at ${formatUtilisation(utilisation)}. `;
      return tag('p', tag('b', e(said)) + e(`${reason} ${by}`));
    }
  }
}

const maths = (source: string) => `<math display="inline" style="math-style: normal">${source}</math>`;

function stepsHtml(steps: readonly Step[], units: UnitSystem): string {
  return tag('table', tag('tbody', steps.map((s) => stepHtml(s, units)).join('\n')), 'steps');
}

function stepHtml(step: Step, units: UnitSystem): string {
  const whole = (inner: string) => `<tr><td colspan="4">${inner}</td></tr>`;
  if (step.kind === 'note') return whole(tag('i', e([step.text, step.clause].filter(Boolean).join(' '))));
  if (step.kind === 'table')
    return whole(
      tag('i', e(step.title)) +
        htmlTable({
          head: step.columns.map(({ name, kind }) => `${name} ${unitLabel(kind, units)}`),
          rows: step.rows.map((row) => step.columns.map(({ kind }, k) => e(formatValue(row[k]!, kind, units)))),
          isNumber: step.columns.map(() => true),
        }),
    );
  const text = printStep(step, mathml, units)!;
  const source = step.kind === 'given' ? (step.source ?? '') : '';
  const first = step.symbol === '' ? e(step.name) : maths(text.formula ? mathml.equals(text.symbol, text.formula) : text.symbol);
  const said = step.symbol === '' ? source : [step.name, source].filter(Boolean).join('; ');
  const second = text.numbers ? maths(mathml.equals(null, text.numbers)) : e(step.kind === 'given' ? said : '');
  const result = tag('b', e(`${text.result} ${text.unit}`.trim()));
  return `<tr><td>${first}</td><td>${second}</td><td class="number">${result}</td><td class="number quiet">${e(step.kind === 'formula' ? step.clause : '')}</td></tr>`;
}
