import type { DesignCode } from '../../codes/design-code';
import { designPanel } from './design-panel';
import type { PanelBars, PanelInput } from './input';
import type { PanelResult } from './result';
import type { ProjectRates } from '../../advice/rates';
import {
  keepingOrAnew,
  lengthTitle,
  otherConcretes,
  singleChanges,
  trialOf,
  type Candidate,
  type Change,
} from '../../advice/single-changes';

export type PanelProposal = Change<Partial<PanelInput>>;

const chosen: PanelBars = { x: null, y: null, left: null, right: null, bottom: null, top: null };

/** Other depths, concretes, methods and ways to hold the corners; bars set by hand stay, or are let go of apart. */
function candidates(panel: PanelInput, code: DesignCode): Candidate<Partial<PanelInput>>[] {
  const { h, method, isHeldDown, materials, catalogue } = panel;
  const step = catalogue === 'us' ? 25.4 : 25;
  const list: Candidate<Partial<PanelInput>>[] = [
    ...[1, 2, -1]
      .map((k) => h + k * step)
      .filter((depth) => depth >= 100)
      .map((depth) => ({ title: `depth ${lengthTitle(depth, catalogue)}`, about: 'depth', change: { h: depth } })),
    method === 'strips'
      ? { title: 'moments by yield lines', about: 'method', change: { method: 'yieldLines' as const } }
      : { title: 'moments by strips', about: 'method', change: { method: 'strips' as const } },
    ...(isHeldDown ? [] : [{ title: 'corners held down', about: 'corners', change: { isHeldDown: true } }]),
    ...otherConcretes(materials, code).map(({ change: concreteStrength, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength } },
    })),
  ];
  return keepingOrAnew(list, panel.bars, { bars: chosen });
}

/** How easily the bars are laid: by how few kinds there are, and the closest spacing. */
function buildability({ sections }: PanelResult): number {
  const kinds = new Set(sections.map((s) => `${s.bars.size} ${s.bars.spacing}`)).size;
  const within = (v: number) => Math.max(0, Math.min(1, v));
  return 0.5 * within((7 - kinds) / 5) + 0.5 * within((Math.min(...sections.map((s) => s.bars.spacing)) - 75) / 125);
}

/** Single changes of a panel, each designed in full, those that hold first. Empty with faults. */
export function proposePanel(panel: PanelInput, code: DesignCode, rates: ProjectRates): PanelProposal[] {
  return singleChanges(
    trialOf(panel, rates, (p: PanelInput) => designPanel(p, code, { derive: [], units: 'SI' }), buildability),
    (p) => candidates(p, code),
  );
}
