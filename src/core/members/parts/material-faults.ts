import type { DesignCode, Materials, Named } from '../../codes/design-code';
import type { Fault } from '../../checks/fault';

/** Weights that reinforced concrete can have (N/mm3), none where it is not counted. */
const isWeight = (v: number) => v >= 0 && v <= 6e-5;

/** What no concrete or steel can be, by the code and by its nature: each fault at its field. */
export function materialFaults(
  { materials: m, unitWeight }: { readonly materials: Materials; readonly unitWeight?: number },
  code: DesignCode,
): Fault[] {
  const { humidity, loadingAge, dryingAge } = m.timeDependent;
  const isDay = (v: number) => v >= 0 && v <= 36_500;
  const rules: readonly (readonly [holds: boolean, field: string, reason: string])[] = [
    [m.aggregateSize >= 2 && m.aggregateSize <= 100, 'aggregateSize', 'The largest aggregate must lie between 2 and 100 mm.'],
    [m.density >= 1e-6 && m.density <= 4e-6, 'density', 'The density of concrete must lie between 1000 and 4000 kg/m3.'],
    [humidity >= 0.2 && humidity <= 1, 'timeDependent.humidity', 'The relative humidity must lie between 20 and 100 %.'],
    [isDay(loadingAge) && loadingAge >= 1, 'timeDependent.loadingAge', 'The age at loading must lie between a day and 100 years.'],
    [isDay(dryingAge), 'timeDependent.dryingAge', 'The age at the beginning of drying must lie between none and 100 years.'],
  ];
  const known = (value: string, classes: Named) => value === '' || Object.keys(classes).length === 0 || Object.hasOwn(classes, value);
  const classes: typeof rules = [
    [known(m.ductility, code.ductilityClasses), 'ductility', `Bars have no class "${m.ductility}" in this code.`],
    [known(m.timeDependent.cement, code.cements), 'timeDependent.cement', `Cement has no class "${m.timeDependent.cement}" in this code.`],
  ];
  return [
    ...(unitWeight === undefined || isWeight(unitWeight)
      ? []
      : [{ path: 'unitWeight', reason: 'The weight of reinforced concrete must lie between 0 and 60 kN/m3.' }]),
    ...code.materialFaults(m).map((f) => ({ path: `materials.${f.field}`, reason: f.reason })),
    ...[...rules, ...classes].flatMap(([holds, field, reason]) => (holds ? [] : [{ path: `materials.${field}`, reason }])),
  ];
}
