import type { DesignCode } from '../../codes/design-code';
import { designPanel } from './design-panel';
import type { PanelBars, PanelInput } from './input';
import type { PanelResult } from './result';
import type { ProjectRates } from '../../advice/rates';
import { lengthTitle, otherConcretes, rankChanges, tryChanges, type Candidate, type Change } from '../../advice/single-changes';

export type PanelProposal = Change<Partial<PanelInput>>;

const chosen: PanelBars = { x: null, y: null, left: null, right: null, bottom: null, top: null };

/** Other depths, concretes, methods and ways to hold the corners; bars chosen anew for each. */
function candidates(panel: PanelInput, code: DesignCode): Candidate<Partial<PanelInput>>[] {
  const { h, method, isHeldDown, materials, catalogue } = panel;
  const step = catalogue === 'us' ? 25.4 : 25;
  return [
    { title: 'bars chosen anew', change: { bars: chosen } },
    ...[1, 2, -1]
      .map((k) => h + k * step)
      .filter((depth) => depth >= 100)
      .map((depth) => ({ title: `depth ${lengthTitle(depth, catalogue)}`, change: { h: depth, bars: chosen } })),
    method === 'strips'
      ? { title: 'moments by yield lines', change: { method: 'yieldLines' as const, bars: chosen } }
      : { title: 'moments by strips', change: { method: 'strips' as const, bars: chosen } },
    ...(isHeldDown ? [] : [{ title: 'corners held down', change: { isHeldDown: true, bars: chosen } }]),
    ...otherConcretes(materials, catalogue, code).map(({ title, change: concreteStrength }) => ({
      title,
      change: { materials: { ...materials, concreteStrength }, bars: chosen },
    })),
  ];
}

/** How easily the bars are laid: by how few kinds there are, and the closest spacing. */
function buildability({ sections }: PanelResult): number {
  const kinds = new Set(sections.map((s) => `${s.bars.size} ${s.bars.spacing}`)).size;
  const within = (v: number) => Math.max(0, Math.min(1, v));
  return 0.5 * within((7 - kinds) / 5) + 0.5 * within((Math.min(...sections.map((s) => s.bars.spacing)) - 75) / 125);
}

/** Single changes of a panel, each designed in full, those that hold first. Empty with faults. */
export function proposePanel(panel: PanelInput, code: DesignCode, rates: ProjectRates): PanelProposal[] {
  return rankChanges(
    tryChanges(
      {
        now: panel,
        rates,
        design: (p: PanelInput) => designPanel(p, code, { derive: [], units: 'SI' }),
        applied: (p, change: Partial<PanelInput>) => ({ ...p, ...change }),
        strength: (p) => p.materials.concreteStrength,
        buildability,
      },
      candidates(panel, code),
    ),
  );
}
