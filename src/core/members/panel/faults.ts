import type { DesignCode } from '../../codes/design-code';
import { slabRuleFaults, slabBarFaults } from '../../reinforcement/slab-bars';
import type { Fault } from '../../checks/fault';
import { caseFaults } from '../parts/case-faults';
import { materialFaults } from '../parts/material-faults';
import { panelPlaces, type PanelInput } from './input';

/** Why the coefficients of a code do not serve a panel. */
function coefficientFault(panel: PanelInput, code: DesignCode): string | undefined {
  const { lx, ly, edges, supportWidth } = panel;
  const { coefficientLimits } = code.slab;
  if (!coefficientLimits) return 'This code has no coefficients for panels: take strips or yield lines.';
  return coefficientLimits.fault({ lx, ly, w: 1, edges }, supportWidth);
}

/** Checks everything about a panel that the shape of the file cannot: each fault at its field. */
export function panelFaults(panel: PanelInput, code: DesignCode): Fault[] {
  const faults: Fault[] = materialFaults(panel, code);
  const add = (path: string, reason: string) => faults.push({ path, reason });
  const { lx, ly, h, cover, supportWidth, share, supportRatio, mu } = panel;
  for (const [path, l] of [
    ['lx', lx],
    ['ly', ly],
  ] as const)
    if (!(l >= 500 && l <= 50_000)) add(path, 'A side of the panel must lie between 0.5 and 50 m.');
  if (lx > 0 && ly > 0 && (lx / ly > 4 || ly / lx > 4)) add('lx', 'One side is more than four times the other: the panel spans one way.');
  if (!(h >= 60 && h <= 2000)) add('h', 'The depth of a slab must lie between 60 mm and 2 m.');
  else if (cover.top + cover.bottom + 40 > h) add('cover.bottom', `The covers leave no room in a depth of ${Math.round(h)} mm.`);
  for (const face of ['top', 'bottom'] as const)
    if (!(cover[face] >= 5 && cover[face] <= 300))
      add(`cover.${face}`, 'A cover must lie between 5 and 300 mm; it is measured to the outer bars.');
  if (!(supportWidth >= 0 && supportWidth < Math.min(lx, ly))) add('supportWidth', 'The supports are wider than the panel.');
  if (panel.method === 'coefficients') {
    const reason = coefficientFault(panel, code);
    if (reason) add('method', reason);
  }
  if (panel.beamStiffness !== null && !(panel.beamStiffness >= 0.2))
    add('beamStiffness', 'Below 0.2 the edges carry like a flat slab, which is not covered here.');
  if (share !== null && !(share >= 0 && share <= 1)) add('share', 'The part of the load along x lies between 0 and 1.');
  if (!(supportRatio >= 0.5 && supportRatio <= 2))
    add('supportRatio', `Hogging over sagging moment lies between 0.5 and 2 (${code.slab.yieldLineClause}).`);
  if (mu !== null && !(mu >= 0.1 && mu <= 10)) add('mu', 'The ratio of moments along y and x lies between 0.1 and 10.');
  faults.push(...caseFaults(panel, code));
  const ids = new Set(panel.cases.map((c) => c.id));
  panel.loads.forEach((l, i) => {
    if (!ids.has(l.case)) add(`loads[${i}].case`, `There is no load case "${l.case}".`);
  });
  faults.push(...slabRuleFaults(panel.barRules, panel.catalogue));
  for (const place of panelPlaces) faults.push(...slabBarFaults(`bars.${place}`, panel.bars[place], panel.catalogue));
  return faults;
}
