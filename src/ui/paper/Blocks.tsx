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
import { formatUtilisation } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { Derivation } from './Formula';
import { Glyph, standingOf, standingText } from '@/ui/drawing/Glyph';

type Of<K extends Block['kind']> = Block & { readonly kind: K };

const standing = ({ check, isDecided }: { readonly check: Of<'governs'>['check']; readonly isDecided: boolean }) =>
  standingOf(check.status, isDecided);

/** A block of a paper, as the screen and print show it. */
export function BlockView({ block, units }: { block: Block; units: UnitSystem }) {
  switch (block.kind) {
    case 'heading':
      return block.level === 1 ? (
        <h1 className="mb-2 mt-5 border-b border-ebony pb-1">{block.text}</h1>
      ) : (
        <h2 className="mt-4">{block.text}</h2>
      );
    case 'text':
      return <p className={{ plain: '', quiet: 'text-walnut', fault: 'text-madder-text' }[block.tone]}>{block.text}</p>;
    case 'facts':
      return <Facts block={block} units={units} />;
    case 'table':
      return (
        <section className="mt-3 break-inside-avoid-page">
          <h2>{block.title}</h2>
          <BlockTable block={block} units={units} />
        </section>
      );
    case 'figure':
      return (
        <figure className="my-2 break-inside-avoid-page overflow-hidden [&_svg]:h-auto [&_svg]:w-full">
          <figcaption className="small">{block.caption}</figcaption>
          <DrawingView drawing={block.drawing} />
        </figure>
      );
    case 'governs':
      return (
        <p className="py-1">
          <b className="font-semibold">Governs:</b> {printGoverning(block.check, block.isDecided)}
        </p>
      );
    case 'checks':
      return <Checks block={block} units={units} />;
    case 'steps':
      return (
        <section className="mt-4 break-inside-avoid-page">
          <h2 className="border-b border-ebony pb-0.5 !text-[0.9rem]">
            {block.check.title} · <span className={standingText[standing(block)]}>{printStanding(block.check, block.isDecided)}</span>
          </h2>
          <p className="py-1 text-walnut">{printCompared(block.check, units)}</p>
          <Derivation steps={block.steps} units={units} isNamed />
        </section>
      );
    case 'decision': {
      const { title, utilisation, reason, by } = block.decision;
      return (
        <p className="mt-3 border-y border-ebony py-2">
          <b className="font-semibold">
            Engineer’s decision. {title} accepted at {formatUtilisation(utilisation)}.
          </b>{' '}
          {reason} <span className="text-walnut">{by}</span>
        </p>
      );
    }
  }
}

function Facts({ block, units }: { block: Of<'facts'>; units: UnitSystem }) {
  return (
    <section className="mt-3">
      <h2>{block.title}</h2>
      <table className="grid-table" aria-label={block.title}>
        <tbody>
          {block.rows.map(([label, value], i) => (
            <tr key={i}>
              <td className="w-44 text-walnut">{label}</td>
              <td>{printCell(value, units) || '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** A table of typed cells; numbers at the right, units in the head. */
export function BlockTable({ block, units }: { block: Of<'table'>; units: UnitSystem }) {
  const side = (i: number) => (block.columns[i]!.isNumber ? 'text-right' : '');
  return (
    <>
      <table className="grid-table" aria-label={block.title}>
        <thead>
          <tr>
            {block.columns.map((c, i) => (
              <th key={i} className={block.columns[i]!.isNumber ? '!text-right' : ''}>
                {printHead(c, units)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {block.rows.map((row, k) => (
            <tr key={k}>
              {row.map((cell, i) => (
                <td key={i} className={side(i)}>
                  {printCell(cell, units, block.columns[i])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {block.foot && <p className="small">{block.foot}</p>}
    </>
  );
}

function Checks({ block, units }: { block: Of<'checks'>; units: UnitSystem }) {
  return (
    <section className="mt-3">
      <h2>Checks</h2>
      <table className="grid-table" aria-label="Checks">
        <thead>
          <tr>
            <th />
            {CHECK_COLUMNS.map(({ title }) => (
              <th key={title}>{title}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {block.rows.map(({ check, isDecided }) => {
            const stands = standing({ check, isDecided });
            const cells = printCheck(check, isDecided, units);
            return (
              <tr key={check.id}>
                <td className="!pt-1">
                  <Glyph standing={stands} />
                </td>
                {cells.map((cell, i) => (
                  <td key={i} className={i === cells.length - 1 ? standingText[stands] : i === 2 || i === 3 ? 'whitespace-nowrap' : ''}>
                    {cell}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      {block.foot && <p className="small">{block.foot}</p>}
    </section>
  );
}
