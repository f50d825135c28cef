import type { DesignCode } from '../../../codes/design-code';
import type { ServiceLoads } from '../../../codes/service-rules';
import { checkInWords, type DerivableCheck } from '../../../checks/check';
import type { BeamAnalysis } from '../analysis';
import type { CheckBasis } from '../bending-checks';
import type { ServiceStrips } from '../result';
import type { SteelAlong } from '../steel';
import { crackChecks } from './crack-checks';
import { deflectionChecks, spanDepthChecks } from './deflection-checks';
import { serviceBasis } from './service-basis';
import { makeGrid, type ServiceMoments } from './service-moments';
import { StiffnessMap } from './stiffness-map';
import type { PreparedBeam } from '../prepared';

/** Stresses, cracks and deflections of a beam in service, with their curves. What its loads do not tell is said, and left out. */
export function beamService(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  map: SteelAlong,
  moments: ServiceMoments | undefined,
  basisOf: Pick<CheckBasis<SteelAlong>, 'strips' | 'units'>,
): { readonly checks: DerivableCheck[]; readonly strips: ServiceStrips | null } {
  const { crackLoads, fullLoads, stages } = code.service;
  const missing = missingLoads(beam, code, analysis);
  if (!moments) {
    const stiffness = new StiffnessMap(beam, code, map, makeGrid(beam, analysis.mesh));
    const bySpan = spanDepthChecks({ beam, code, strips: basisOf.strips, stiffness });
    return { checks: [untold(beam, 'Deflection and cracks', [fullLoads]), ...bySpan], strips: null };
  }
  const basis = serviceBasis(beam, code, analysis, map, moments, basisOf);
  const isTold = (loads: ServiceLoads) => !missing.includes(loads);
  const deflection = deflectionChecks(basis, isTold);
  const crack = crackChecks(basis);
  const untoldStages = [...new Set(stages.map((s) => s.loads))].filter((loads) => !isTold(loads));
  return {
    checks: [
      ...deflection.checks,
      ...crack.checks,
      ...(untoldStages.length > 0 ? [untold(beam, 'Deflection', untoldStages)] : []),
      ...(!isTold(crackLoads) ? [cracksByFullLoads(crackLoads, fullLoads)] : []),
    ],
    strips: { x: deflection.x, sums: deflection.sums, ...crack.strip },
  };
}

const inWords: Record<ServiceLoads, string> = {
  permanent: 'permanent loads alone',
  quasiPermanent: 'quasi-permanent loads',
  characteristic: 'characteristic loads',
  service: 'service loads',
  sustained: 'sustained loads',
};

/** The loads in service by which something is judged, and which nothing tells. Of its own loads a beam knows the permanent ones. */
function missingLoads({ mode }: PreparedBeam, { service }: DesignCode, { combinations, cases }: BeamAnalysis): ServiceLoads[] {
  const wanted = new Set<ServiceLoads>([service.fullLoads, service.crackLoads, ...service.stages.map((s) => s.loads)]);
  const hasPermanent = mode === 'loads' || cases.some((c) => c.nature === 'permanent');
  const isThere = (loads: ServiceLoads) => (loads === 'permanent' ? hasPermanent : combinations.some((k) => k.kind === loads));
  return [...wanted].filter((loads) => !isThere(loads));
}

/** What cannot be said without some loads: of known forces nobody asked for it, of own loads it was switched off. */
function untold({ mode }: PreparedBeam, title: string, loads: readonly ServiceLoads[]): DerivableCheck {
  const words = loads.map((l) => inWords[l]).join(' and ');
  return checkInWords({
    id: title === 'Deflection' ? 'service-deflection' : 'service',
    family: 'deflection',
    title,
    clause: '',
    status: mode === 'stations' ? 'notCovered' : 'failed',
    place: { x: null, label: '' },
    reason:
      mode === 'stations'
        ? `No set has the forces of ${words}: ${title.toLowerCase()} not checked by them.`
        : `No combination of ${words} is switched on: ${title.toLowerCase()} not checked by them.`,
  });
}

const cracksByFullLoads = (wanted: ServiceLoads, taken: ServiceLoads): DerivableCheck =>
  checkInWords({
    id: 'service-cracks',
    family: 'crack',
    title: 'Loads for cracks',
    clause: '',
    status: 'notCovered',
    place: { x: null, label: '' },
    reason: `There are no forces of ${inWords[wanted]}: cracks are checked for ${inWords[taken]}.`,
  });
