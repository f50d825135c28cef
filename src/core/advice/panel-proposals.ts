import type { DesignCode } from '../codes/design-code';
import { designPanel } from '../members/panel/design-panel';
import type { PanelBars, PanelInput } from '../members/panel/input';
import type { PanelResult } from '../members/panel/result';
import type { ProjectRates } from './rates';
import { rankChanges, tryChanges, type Change } from './single-changes';

export type PanelProposal = Change<Partial<PanelInput>>;

const chosen: PanelBars = { x: null, y: null, left: null, right: null, bottom: null, top: null };

/** Other depths, concretes, methods and ways to hold the corners; bars chosen anew for each. */
function candidates(panel: PanelInput): { readonly title: string; readonly change: Partial<PanelInput> }[] {
  const isUS = panel.catalogue === 'us';
  const step = isUS ? 25.4 : 25;
  const length = (v: number) => (isUS ? `${Number((v / 25.4).toFixed(1))} in` : `${Math.round(v)} mm`);
  const { h, method, isHeldDown, materials } = panel;
  const stronger = materials.concreteStrength + (isUS ? 6.894757293 : 5);
  return [
    { title: 'bars chosen anew', change: { bars: chosen } },
    ...[1, 2, -1]
      .filter((k) => h + k * step >= 100)
      .map((k) => ({ title: `depth ${length(h + k * step)}`, change: { h: h + k * step, bars: chosen } })),
    method === 'strips'
      ? { title: 'moments by yield lines', change: { method: 'yieldLines' as const, bars: chosen } }
      : { title: 'moments by strips', change: { method: 'strips' as const, bars: chosen } },
    ...(isHeldDown ? [] : [{ title: 'corners held down', change: { isHeldDown: true, bars: chosen } }]),
    { title: 'stronger concrete', change: { materials: { ...materials, concreteStrength: stronger }, bars: chosen } },
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
      candidates(panel),
    ),
  );
}
