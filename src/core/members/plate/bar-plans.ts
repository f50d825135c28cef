import type { ProjectRates } from '../../advice/rates';
import { rankChanges, tryChanges, trialOf, type Candidate, type Change } from '../../advice/single-changes';
import type { DesignCode } from '../../codes/design-code';
import { atOnce } from '../../job';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { buildability } from './changes';
import { wholePlate, strengthAlone } from './design-plate';
import type { PlateInput } from './input';
import type { LaidSteel } from './result';
import { heavier, mirrorsOf, symmetricExtras } from './symmetric-bars';
import { meshIn } from './zones';
import type { ProjectBasis } from '../member';
import { sizeOf } from '../parts/bar-labels';

type Bars = PlateInput['bars'];

const chosen: Bars = { bottom: { x: null, y: null }, top: { x: null, y: null }, extra: null };
/** Spacings that are easily measured out (mm). */
const ROUND = { metric: [100, 150, 200, 250, 300], us: [4, 6, 8, 10, 12].map((v) => v * 25.4) };

/** Bars as they were laid, all of them set. */
const asSet = (steel: LaidSteel): Bars => ({
  bottom: { x: meshIn(steel, { face: 'bottom', along: 'x' }), y: meshIn(steel, { face: 'bottom', along: 'y' }) },
  top: { x: meshIn(steel, { face: 'top', along: 'x' }), y: meshIn(steel, { face: 'top', along: 'y' }) },
  extra: steel.extra,
});

/** What a plan is to be like: its name, and the slab for which bars are chosen so. */
interface Wish {
  readonly title: string;
  readonly plate: PlateInput;
}

function wishes(plate: PlateInput, now: LaidSteel, project: ProjectBasis): Wish[] {
  const free = { ...plate, bars: chosen };
  const { barRules, catalogue } = plate;
  const used = [...new Set([...now.meshes.flatMap((m) => m.bars ?? []), ...now.extra.map((e) => e.bars)].map((b) => b.size))];
  return [
    { title: 'lightest', plate: free },
    // Spacings that may be used at all stay as they were set.
    ...(barRules.spacings.length > 0
      ? []
      : [
          {
            title: 'round spacings',
            plate: { ...free, barRules: { ...barRules, spacings: catalogue === 'us' ? ROUND.us : ROUND.metric } },
          },
        ]),
    ...used.map((size) => ({ title: `${sizeOf(size, project)} alone`, plate: { ...free, barRules: { ...barRules, sizes: [size] } } })),
    { title: 'meshes alone', plate: { ...free, bars: { ...chosen, extra: [] } } },
  ];
}

/** The same bars over all parts of a face, the heaviest of them: one thing to lay, whichever part it is. */
function alikeOver(plate: PlateInput, { extra, ...meshes }: LaidSteel): LaidSteel {
  const most = (face: 'bottom' | 'top') =>
    extra.filter((e) => e.face === face).reduce<SlabBars | null>((a, e) => (a ? heavier(plate, a, e.bars) : e.bars), null);
  const bars = { bottom: most('bottom'), top: most('top') };
  return { ...meshes, extra: extra.map((e) => ({ ...e, bars: bars[e.face]! })) };
}

/**
 * Whole plans of bars that can be built: the lightest, with round spacings, of one size, of meshes alone, with the same bars over all parts of a face, and
 * where slab and columns are their own image with bars that are; each set, designed in full and ranked by cost, carbon and how easily it is laid. Empty with faults.
 */
export function barPlans(plate: PlateInput, code: DesignCode, rates: ProjectRates, project: ProjectBasis): Change<Partial<PlateInput>>[] {
  const laid = (p: PlateInput) => strengthAlone(p, code).steel;
  const now = laid(plate);
  if (now.meshes.length === 0) return [];
  const plans = wishes(plate, now, project).map((wish) => ({ title: wish.title, steel: laid(wish.plate) }));
  const best = plans[0]!.steel;
  const alike = best.extra.length > 1 ? [{ title: 'extra bars alike', steel: alikeOver(plate, best) }] : [];
  const symmetric =
    mirrorsOf(plate).length > 0 && best.extra.length > 0
      ? [{ title: 'symmetric', steel: { ...best, extra: symmetricExtras(plate, best.extra) } }]
      : [];
  const seen = new Set([JSON.stringify(asSet(now))]);
  const candidates = [...plans, ...alike, ...symmetric].flatMap(({ title, steel }): Candidate<Partial<PlateInput>>[] => {
    const bars = asSet(steel);
    const key = JSON.stringify(bars);
    if (steel.meshes.length === 0 || seen.has(key)) return [];
    seen.add(key);
    // Of sizes that are too thin a mesh would have to be laid beside: no plan.
    if (JSON.stringify(asSet(laid({ ...plate, bars }))) !== key) return [];
    return [{ title: steel.extra.length === 0 ? title : `${title}, ${steel.extra.length} parts`, about: 'bars', change: { bars } }];
  });
  const trial = trialOf(plate, rates, (p: PlateInput) => atOnce(wholePlate(p, code, { derive: [], units: 'SI' })), buildability);
  return rankChanges(tryChanges(trial, candidates));
}
