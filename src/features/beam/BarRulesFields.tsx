'use client';
import type { Draft } from 'immer';
import { catalogues, type CatalogueId } from '@/core/materials/bars';
import type { BarRules } from '@/core/members/beam/input';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatForEditing } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { catalogueOptions, panelRow, useRows } from '@/ui/fields/use-rows';

const parts = (text: string) => text.split(/[\s,;]+/).filter(Boolean);
/** Numbers with the unit behind them, where there is one. */
const lengths = (text: string) => text.match(/\d+(?:\.\d+)?\s*(?:[a-z]+|")?/gi) ?? [];
/** Links stand no closer and no further apart (mm). */
const [CLOSEST, WIDEST] = [25, 1000];

interface ListField {
  readonly key: 'mainSizes' | 'linkSizes' | 'legs' | 'spacings';
  readonly label: string;
  readonly shown: string;
  /** What the text means, without what cannot be meant. */
  readonly read: (text: string) => readonly string[] | readonly number[];
}

function listFields({ display }: Project, { barRules, catalogue }: BeamMember): ListField[] {
  const sizes = (text: string) => parts(text).filter((s) => catalogues[catalogue].bars.some((b) => b.name === s));
  const sorted = (list: readonly number[]) => [...new Set(list)].sort((a, b) => a - b);
  const length = (text: string) => {
    const parsed = parseQuantity(text, 'length', display);
    return parsed.ok ? parsed.value : NaN;
  };
  return [
    { key: 'mainSizes', label: 'Main sizes allowed', shown: barRules.mainSizes.join(', '), read: sizes },
    { key: 'linkSizes', label: 'Link sizes allowed', shown: barRules.linkSizes.join(', '), read: sizes },
    {
      key: 'legs',
      label: 'Legs allowed',
      shown: barRules.legs.join(', '),
      read: (t) =>
        sorted(
          parts(t)
            .filter((v) => /^\d+$/.test(v))
            .map(Number)
            .filter((n) => n >= 2 && n <= 20),
        ),
    },
    {
      key: 'spacings',
      label: `Link spacings allowed, ${display === 'SI' ? 'mm' : 'in'}`,
      shown: barRules.spacings.map((s) => formatForEditing(s, 'length', display)).join(', '),
      read: (t) =>
        sorted(
          lengths(t)
            .map(length)
            .filter((v) => v >= CLOSEST && v <= WIDEST),
        ),
    },
  ];
}

/** What the automatic choice of bars may use. What is set by hand stays as it is. */
export function BarRulesFields({ project, member }: { project: Project; member: BeamMember }) {
  const { change, choose, quantity, box } = useRows(project, member);
  const { barRules, catalogue } = member;
  const count = { empty: 'as needed', range: [2, 60], isWhole: true } as const;
  return (
    <section>
      <h2>Rules for bars</h2>
      {choose('Catalogue', catalogue, catalogueOptions, changeCatalogue)}
      {listFields(project, member).map(({ key, label, shown, read }) => (
        <label key={key} className={panelRow}>
          {label}
          <input
            className="field"
            placeholder="all usual"
            defaultValue={shown}
            key={shown}
            onBlur={(e) => {
              const list = read(e.target.value);
              if (list.join() !== barRules[key].join()) change('rules for bars', (m) => void Object.assign(m.barRules, { [key]: list }));
              else e.target.value = shown;
            }}
          />
        </label>
      ))}
      {quantity('Fewest bars of a group', 'number', 'barRules.leastBars', count)}
      {quantity('Maximum bars of a group', 'number', 'barRules.mostBars', count)}
      {box('Never use compression steel for strength', 'barRules.singlyReinforced')}
    </section>
  );
}

/** Sizes of one catalogue mean nothing in another: bars set by hand become automatic again. */
function changeCatalogue(m: Draft<BeamMember>, catalogue: CatalogueId): void {
  const extra = { bars: null, from: null, to: null };
  m.catalogue = catalogue;
  m.barRules = { ...m.barRules, mainSizes: [], linkSizes: [], spacings: [] } satisfies BarRules as Draft<BarRules>;
  m.bars = {
    bottom: m.bars.bottom.map(() => ({ main: null, extra })),
    top: m.bars.top.map(() => ({ main: null })),
    links: m.bars.links.map(() => ({ zones: null })),
    support: m.bars.support.map(() => ({ bars: null, left: null, right: null })),
    side: null,
  };
}
