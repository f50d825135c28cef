import type { LoadCase } from '../../analysis/combination';
import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { heldPanel } from '../../analysis/held-panel';
import { panelByStrips, panelByYieldLines, shareByDeflection, type PanelMoments } from '../../analysis/panel';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { quantitiesOf } from '../../model/member-model';
import { SELF_WEIGHT } from '../../analysis/combination';
import { nothingCheck } from '../beam/nothing-check';
import { finishChecks, governing, topicsNotCovered } from '../../checks/check';
import type { DesignOptions } from '../../job';
import {
  coefficientChecks,
  panelBending,
  panelCorners,
  panelDepth,
  panelDuctility,
  panelShear,
  panelSteel,
  type PanelBasis,
} from './checks';
import { panelFire } from './fire';
import { panelDeflection, spanLoads, type PanelServiceLoads } from './deflection';
import { panelFaults } from './faults';
import type { PanelInput } from './input';
import { panelModel } from './model';
import { emptyPanelResult, type PanelResult } from './result';
import { panelSections, preparePanel } from './sections';

/** Corners that may lift turn the yield lines: moments grow by about a tenth. */
const LIFTED_CORNERS = 1.1;

/** Designs a rectangular panel on four edges by hand methods. Never throws on bad input; the result then lists its faults. */
export function designPanel(given: PanelInput, code: DesignCode, options: DesignOptions): PanelResult {
  const faults = panelFaults(given, code);
  if (faults.length > 0) return emptyPanelResult(faults);
  const panel = preparePanel(given);
  const combinations = panelCombinations(panel, code);
  const ultimate = combinations.filter((c) => c.kind === 'ultimate').map((c) => ({ c, w: loadOf(panel, c.factors) }));
  const worst = ultimate.reduce<(typeof ultimate)[number] | null>((a, b) => (!a || b.w > a.w ? b : a), null);
  if (!worst || worst.w <= 0) {
    const check = nothingCheck({ combinations }, 'slab');
    return { ...emptyPanelResult([]), combinations, checks: [check], governing: check };
  }
  const moments = panelMoments(panel, code, worst.w);
  const sections = panelSections(panel, code, moments);
  const basis: PanelBasis = { panel, code, units: options.units, w: worst.w, combination: worst.c.id, moments, sections };
  const service: PanelServiceLoads = { combinations, loadOf: (f) => loadOf(panel, f), permanent: permanentLoad(panel) };
  const checks = finishChecks(
    [
      ...panelBending(basis),
      ...coefficientChecks(basis),
      ...panelDuctility(basis),
      ...panelShear(basis),
      ...panelSteel(basis),
      ...panelDepth(basis, spanLoads(service)),
      ...panelDeflection(basis, service),
      ...panelCorners(basis),
      ...panelFire(basis),
      ...topicsNotCovered([
        ...missingFor(code, 'slabs'),
        { title: 'Crack width', clause: 'hand method' },
        { title: 'Different moments on both sides of an edge', clause: 'hand method' },
      ]),
    ],
    options,
  );
  return {
    type: 'panel',
    faults: [],
    load: worst.w,
    combination: worst.c.id,
    moments,
    sections,
    combinations,
    handChecks: handChecks(panel, worst.w, moments),
    checks,
    governing: governing(checks) ?? null,
    quantities: quantitiesOf(panelModel(panel, sections), panel.lx * panel.ly),
  };
}

/** All cases of a panel, its own weight among them when it is on. */
export function panelCases({ selfWeight, cases }: PanelInput): LoadCase[] {
  const own: LoadCase = { id: SELF_WEIGHT, title: 'Self-weight', nature: 'permanent', category: '', pattern: false };
  return [...(selfWeight ? [own] : []), ...cases];
}

function panelCombinations(panel: PanelInput, code: DesignCode) {
  const used = panelCases(panel).filter((c) => c.nature === 'permanent' || panel.loads.some((l) => l.case === c.id));
  const own = new Set(panel.ownCombinations.map((c) => c.id));
  return [...code.combinations(used).filter((c) => !panel.combinationsOff.includes(c.id) && !own.has(c.id)), ...panel.ownCombinations];
}

/** The load of a combination (N/mm2); a variable case that relieves is left out. */
function loadOf(panel: PanelInput, factors: readonly { readonly caseId: string; readonly factor: number }[]): number {
  return factors.reduce((sum, { caseId, factor }) => {
    const own = caseId === SELF_WEIGHT ? panel.h * panel.unitWeight : 0;
    const value = own + panel.loads.reduce((s, l) => s + (l.case === caseId ? l.value : 0), 0);
    const isVariable = panel.cases.some((c) => c.id === caseId && c.nature !== 'permanent');
    return sum + factor * (isVariable ? Math.max(0, value) : value);
  }, 0);
}

/** The permanent loads alone (N/mm2). */
const permanentLoad = (panel: PanelInput): number =>
  loadOf(
    panel,
    panelCases(panel)
      .filter((c) => c.nature === 'permanent')
      .map((c) => ({ caseId: c.id, factor: 1 })),
  );

/** Moments of the panel under a load, by its method. */
export function panelMoments(panel: PanelInput, code: DesignCode, w: number): PanelMoments {
  const { lx, ly, edges, share, isHeldDown } = panel;
  const load = { lx, ly, w, edges };
  const byCode = panel.method === 'coefficients' ? code.slab.panelCoefficients?.(load, panel.supportWidth) : undefined;
  if (byCode) return byCode;
  if (panel.method !== 'yieldLines') {
    const strips = panelByStrips(load, share ?? shareByDeflection(load), isHeldDown);
    // A share that is set is a choice of how the load goes: then folds alone are looked at.
    return isHeldDown ? heldPanel(load, strips, share === null) : strips;
  }
  const mu = panel.mu ?? (lx / ly) ** 2;
  return panelByYieldLines({ ...load, w: isHeldDown ? w : LIFTED_CORNERS * w }, panel.supportRatio, mu);
}

/** Strips without twisting are beams: the reaction at one end gives the largest moment by statics. Other methods have no such figure beside them. */
function handChecks({ lx, ly, isHeldDown }: PanelInput, w: number, { x, y, support, share }: PanelMoments): HandCheck[] {
  if (share === null || isHeldDown) return [];
  const strip = (name: 'x' | 'y', l: number, q: number, middle: number, start: number, end: number) => {
    const reaction = (q * l) / 2 + (start - end) / l;
    return q > 0
      ? [handCheck(`Strip along ${name}: largest moment from its reaction`, 'lineTorque', reaction ** 2 / (2 * q) - start, middle)]
      : [];
  };
  return [...strip('x', lx, share * w, x, support.left, support.right), ...strip('y', ly, (1 - share) * w, y, support.bottom, support.top)];
}
