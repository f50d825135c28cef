import { mathml } from '@/core/calc/notations';
import type { Step } from '@/core/calc/calc';
import { printStep } from '@/core/calc/typeset';
import type { UnitSystem } from '@/core/units/quantity';

/**
 * MathML made by the core from its own symbols and from numbers only; no text of a file ever gets in here.
 */
function Maths({ source, display = false }: { source: string; display?: boolean }) {
  return <math display="inline" {...(display ? { displaystyle: 'true' } : {})} dangerouslySetInnerHTML={{ __html: source }} />;
}

/** The lines of a derivation: formula, numbers put in, result, clause. */
export function Derivation({ steps, units, isNamed = false }: { steps: readonly Step[]; units: UnitSystem; isNamed?: boolean }) {
  return (
    <div className="overflow-x-auto">
      {steps.map((step, i) => (
        <DerivationStep key={i} step={step} units={units} isNamed={isNamed} />
      ))}
    </div>
  );
}

/** On paper a given value says its name; on the screen it is asked for with the pointer. */
function DerivationStep({ step, units, isNamed }: { step: Step; units: UnitSystem; isNamed: boolean }) {
  if (step.kind === 'note') {
    return (
      <p className="small py-0.5">
        {step.text} {step.clause && <span className="text-ash">{step.clause}</span>}
      </p>
    );
  }
  const text = printStep(step, mathml, units)!;
  const hasFraction = text.formula?.includes('<mfrac') ?? false;
  return (
    <div className={`flex items-center justify-between gap-2 ${hasFraction ? 'py-[3px]' : 'py-px'}`} title={step.name}>
      <span className="flex flex-wrap items-center gap-x-1.5 whitespace-nowrap">
        {step.symbol === '' ? (
          <span>{step.name}</span>
        ) : (
          <Maths
            source={text.formula ? `<mrow>${text.symbol}<mo>=</mo>${text.formula}</mrow>` : `<mrow>${text.symbol}</mrow>`}
            display={hasFraction}
          />
        )}
        {text.numbers && (
          <span className="text-walnut">
            <Maths source={`<mrow><mo>=</mo>${text.numbers}</mrow>`} display={hasFraction} />
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
