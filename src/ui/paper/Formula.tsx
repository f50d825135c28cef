'use client';
import { useRef, useState } from 'react';
import { mathml } from '@/core/calc/notations';
import type { Step } from '@/core/calc/calc';
import { printStep, significant } from '@/core/calc/typeset';
import { formatValue, prettyUnit, unitLabel } from '@/core/units/format';
import { getUnit } from '@/core/units/unit';
import type { UnitSystem } from '@/core/units/quantity';

/**
 * MathML made by the core from its own symbols and from numbers only; no text of a file ever gets in here.
 */
function Maths({ source, display = false }: { source: string; display?: boolean }) {
  return <math display="inline" {...(display ? { displaystyle: 'true' } : {})} dangerouslySetInnerHTML={{ __html: source }} />;
}

/** The lines of a derivation: formula, numbers put in, result, clause. A formula opens to what its symbols mean and where they came from. */
export function Derivation({ steps, units, isNamed = false }: { steps: readonly Step[]; units: UnitSystem; isNamed?: boolean }) {
  const [open, setOpen] = useState<number | null>(null);
  const lines = useRef<(HTMLDivElement | null)[]>([]);
  const goTo = (i: number) => {
    lines.current[i]?.scrollIntoView({ block: 'nearest' });
    lines.current[i]?.focus();
  };
  return (
    <div className="overflow-x-auto">
      {steps.map((step, i) => (
        <div key={i} ref={(el) => void (lines.current[i] = el)} tabIndex={-1} className="focus:bg-sycamore focus:outline-none">
          <DerivationStep step={step} units={units} isNamed={isNamed} isOpen={open === i} onOpen={() => setOpen(open === i ? null : i)} />
          {step.kind === 'formula' && open === i && <Where step={step} at={i} steps={steps} units={units} onGo={goTo} />}
        </div>
      ))}
    </div>
  );
}

/** Where a symbol of a formula was found: the step before it that gave it, undefined for what was put in. */
const originOf = (symbol: string, steps: readonly Step[], before: number): number =>
  steps.findLastIndex((s, k) => k < before && (s.kind === 'given' || s.kind === 'formula') && s.symbol === symbol);

/** The symbols of a formula: what each means, its value, and where it came from. */
function Where({
  step,
  at,
  steps,
  units,
  onGo,
}: {
  step: Step & { kind: 'formula' };
  at: number;
  steps: readonly Step[];
  units: UnitSystem;
  onGo: (i: number) => void;
}) {
  return (
    <dl className="mb-1 grid grid-cols-[auto_1fr_auto] gap-x-3 border-l-2 border-groove pl-2" aria-label={`Symbols of ${step.name}`}>
      {step.inputs.map(({ symbol, name, value, workSI, workUS }) => {
        const k = originOf(symbol, steps, at);
        const origin = steps[k];
        const unit = getUnit(units === 'US' ? workUS : workSI);
        return (
          <div key={symbol} className="contents">
            <dt>
              <Maths source={mathml.sym(symbol)} />
            </dt>
            <dd>
              {name}, {significant(value / unit.factor, 4)} {prettyUnit(unit.name)}
            </dd>
            <dd className="small text-right">
              {k < 0 ? (
                'of the member, as drawn and typed'
              ) : (
                <button type="button" className="link" onClick={() => onGo(k)}>
                  {origin?.kind === 'formula'
                    ? `worked out above, ${origin.clause}`
                    : (origin?.kind === 'given' && origin.source) || 'stated above'}
                </button>
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

/** Values along the member. */
function Stations({ step: { title, columns, rows }, units }: { step: Step & { kind: 'table' }; units: UnitSystem }) {
  return (
    <>
      <p className="small pt-1">{title}</p>
      <table className="grid-table mb-1 !w-auto" aria-label={title}>
        <thead>
          <tr>
            {columns.map(({ name, kind }) => (
              <th key={name} className="!pr-4 !text-right">
                {name} {unitLabel(kind, units)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {columns.map(({ name, kind }, k) => (
                <td key={name} className="!pr-4 text-right tabular-nums">
                  {formatValue(row[k]!, kind, units)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** On paper a given value says its name; on the screen it is asked for with the pointer. */
function DerivationStep({
  step,
  units,
  isNamed,
  isOpen,
  onOpen,
}: {
  step: Step;
  units: UnitSystem;
  isNamed: boolean;
  isOpen: boolean;
  onOpen: () => void;
}) {
  if (step.kind === 'note') {
    return (
      <p className="small py-0.5">
        {step.text} {step.clause && <span className="text-ash">{step.clause}</span>}
      </p>
    );
  }
  if (step.kind === 'table') return <Stations step={step} units={units} />;
  const text = printStep(step, mathml, units)!;
  const hasFraction = text.formula?.includes('<mfrac') ?? false;
  return (
    <div className={`flex items-center justify-between gap-2 ${hasFraction ? 'py-[3px]' : 'py-px'}`} title={step.name}>
      <span className="flex flex-wrap items-center gap-x-1.5 whitespace-nowrap">
        {step.symbol === '' ? (
          <span>{step.name}</span>
        ) : text.formula ? (
          <button
            type="button"
            className="hover:bg-sycamore"
            aria-expanded={isOpen}
            aria-label={`${step.name}: its symbols`}
            onClick={onOpen}
          >
            <Maths source={mathml.equals(text.symbol, text.formula)} display={hasFraction} />
          </button>
        ) : (
          <Maths source={`<mrow>${text.symbol}</mrow>`} display={hasFraction} />
        )}
        {text.numbers && (
          <span className="text-walnut">
            <Maths source={mathml.equals(null, text.numbers)} display={hasFraction} />
          </span>
        )}
        <span>
          = <b className="font-semibold">{text.result}</b> {text.unit}
        </span>
      </span>
      <span className="small shrink-0 text-right">
        {step.kind === 'formula'
          ? step.clause
          : isNamed && step.symbol !== ''
            ? [step.name, step.source].filter(Boolean).join('; ')
            : step.source}
      </span>
    </div>
  );
}
