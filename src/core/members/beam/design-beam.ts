import { zeros } from '../../analysis/envelope';
import { MechanismError } from '../../analysis/line-beam';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { finishChecks, governing, topicsNotCovered } from '../../checks/check';
import type { DesignOptions } from '../../job';
import { analyseBeam, type BeamAnalysis } from './analysis';
import { endAnchorage } from './anchorage-checks';
import { beamFire } from './fire';
import { flangeChecks } from './flange-checks';
import { bendingChecks, checkBasis, ductilityCheck } from './bending-checks';
import { chooseSteel } from './choose-steel';
import { compressionChecks } from './compression-check';
import { atPlacesOf } from './demand';
import { beamFaults } from './faults';
import { formChecks } from './form-checks';
import { frameChecks } from './frame/frame-checks';
import { designForces } from './forces/design-forces';
import { beamFormwork, beamModel } from './model';
import { anchorageLengths, ResistanceMap } from './resistance';
import { supportReactions } from './reactions';
import { emptyBeamResult, type BeamResult } from './result';
import { shearChecks } from './shear-checks';
import { beamService } from './service/beam-service';
import { serviceMoments } from './service/service-moments';
import { SteelMap } from './steel';
import { maximumSteelCheck, minimumSteelCheck, spacingCheck, splittingCheck } from './steel-checks';
import { torsionChecks } from './torsion-checks';
import { hasNothing, nothingCheck } from './nothing-check';
import { redistributionCheck } from './redistribution-check';
import { catalogues } from '../../materials/bars';
import { isSymmetric } from '../../geometry/beam-outline';
import { quantitiesOf } from '../../model/member-model';
import type { BeamInput } from './input';
import { prepareBeam } from './prepared';

/** Designs a beam from its input alone: analysis, bars, checks. Never throws on bad input; the result then lists its faults. */
export function designBeam(given: BeamInput, code: DesignCode, options: DesignOptions): BeamResult {
  const faults = beamFaults(given, code);
  if (faults.length > 0) return emptyBeamResult(faults);
  const beam = prepareBeam(given, code);
  if (beam.mode === 'forces') return designForces(beam, code, options);
  let found: BeamAnalysis;
  try {
    found = analyseBeam(beam, code);
  } catch (error) {
    if (error instanceof MechanismError) return emptyBeamResult([{ path: 'supports', reason: error.message }]);
    throw error;
  }
  if (hasNothing(beam, found)) return nothingToDesign(found);
  const moments = serviceMoments(beam, code, found);
  const steel = chooseSteel(beam, code, found, moments);
  const map = new SteelMap(beam, steel, code, anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] }));
  const resistance = new ResistanceMap(beam, code, map);
  const analysis = atPlacesOf(beam, code, found, resistance);
  const basis = checkBasis(beam, code, analysis, resistance, options.units);
  const ends = endAnchorage(basis, analysis);
  const service = beamService(beam, code, analysis, map, moments, basis);
  const bending = bendingChecks(basis);
  const checks = finishChecks(
    [
      ...bending,
      ...ductilityCheck(basis),
      ...compressionChecks(basis),
      ...shearChecks(basis, analysis),
      ...torsionChecks(basis, analysis),
      ...minimumSteelCheck(basis),
      ...maximumSteelCheck(basis),
      ...spacingCheck(basis),
      ...splittingCheck(basis),
      ...ends.checks,
      ...flangeChecks(basis),
      ...frameChecks(basis, analysis),
      ...redistributionCheck(basis),
      ...formChecks(basis),
      ...service.checks,
      ...beamFire(basis, map, bending),
      ...topicsNotCovered([...missingFor(code, 'beams'), ...freeTopics(beam), ...stationTopics(beam)]),
    ],
    options,
  );
  const { envelope: env } = analysis;
  return {
    type: 'beam',
    faults: [],
    strips: basis.strips,
    service: service.strips,
    arrangements: analysis.arrangements.map((a) => ({ combination: a.combination.id, title: a.combination.title, label: a.label })),
    combinations: analysis.combinations,
    reactions: supportReactions(beam.supports, analysis),
    handChecks: analysis.handChecks,
    zeros: { sagging: zeros(env.stations, env.maxM), hogging: zeros(env.stations, env.minM) },
    steel,
    rows: [],
    capacities: null,
    checks,
    governing: governing(checks) ?? null,
    bent: ends.bent,
    quantities: quantitiesOf(beamModel(beam, code, steel, ends.bent), beamFormwork(beam)),
  };
}

/** What is not looked at in a free outline. */
function freeTopics({ section }: BeamInput): { readonly title: string; readonly clause: string }[] {
  if (section.shape !== 'free') return [];
  return [
    { title: 'Shear between the web and parts beside it', clause: 'free outline' },
    { title: 'Bars and links placed one by one: a section by itself has them', clause: 'free outline' },
    ...(isSymmetric(section)
      ? []
      : [{ title: 'Bending across an outline that is not the same on both sides', clause: 'taken as held sideways' }]),
  ];
}

/** What known forces along the spans leave open. */
const stationTopics = ({ mode }: BeamInput): { readonly title: string; readonly clause: string }[] =>
  mode === 'stations'
    ? [
        { title: 'Axial forces along the spans', clause: 'known forces' },
        { title: 'Own weight and stiffness of another section: the forces stay as given', clause: 'known forces' },
      ]
    : [];

/** A beam with no ultimate combination, or no load at all, says so and shows no figure. */
function nothingToDesign(analysis: BeamAnalysis): BeamResult {
  const check = nothingCheck(analysis, 'beam');
  return { ...emptyBeamResult([]), combinations: analysis.combinations, checks: [check], governing: check };
}
