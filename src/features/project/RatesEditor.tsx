import { entriesOf, type Options } from '@/ui/fields/Select';
import { Popover } from 'radix-ui';
import { usualRates, type Rates } from '@/core/advice/rates';
import type { Project } from '@/core/project/project';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/fields/QuantityInput';

const lines: Options<keyof Rates> = {
  concrete: 'm³ of concrete, 30 MPa',
  perMPa: 'each MPa above, a m³',
  steel: 'kg of steel, fixed',
  formwork: 'm² of formwork',
};

/** What proposals are ranked by: the office's own rates of cost and carbon. */
export function RatesEditor({ project }: { project: Project }) {
  const edit = useProject((s) => s.edit);
  const set = (kind: 'cost' | 'carbon', key: keyof Rates, value: number) =>
    edit('rates', (p) => ({ ...p, rates: { ...p.rates, [kind]: { ...p.rates[kind], [key]: value } } }));
  return (
    <Popover.Root>
      <Popover.Trigger className="link small">rates</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="top" sideOffset={8} collisionPadding={8} className="framed z-30 w-96 px-3 py-2" aria-label="Rates">
          <b className="font-semibold">Rates for comparing</b>
          <p className="small">Cost in any money; carbon in kg of CO₂ equivalent. Round figures of our own until you set yours.</p>
          <div className="grid grid-cols-[1fr_6rem_6rem] items-center gap-x-2 gap-y-1 pt-1">
            <span className="small">for a</span>
            <span className="small">cost</span>
            <span className="small">carbon</span>
            {entriesOf(lines).flatMap(([key, name]) => [
              <span key={key}>{name}</span>,
              ...(['cost', 'carbon'] as const).map((kind) => (
                <QuantityInput
                  key={kind + key}
                  kind="number"
                  system={project.display}
                  value={project.rates[kind][key]}
                  label={`${kind} for a ${name}`}
                  showUnit={false}
                  onKeep={(v) => v !== null && v >= 0 && set(kind, key, v)}
                />
              )),
            ])}
          </div>
          <button type="button" className="link mt-2" onClick={() => edit('rates as usual', (p) => ({ ...p, rates: usualRates }))}>
            as usual
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
