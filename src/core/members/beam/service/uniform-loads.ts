import type { DesignCode } from '../../../codes/design-code';
import type { SpanLoads } from '../../../codes/service-rules';
import { activeCombinations, allCases, loadsOfCase } from '../analysis';
import type { PreparedBeam } from '../prepared';

/** The uniform loads of a span by its combinations in service; undefined where it has other loads as well, or its forces came ready. */
export function uniformLoads(beam: PreparedBeam, code: DesignCode, span: number, width: number): SpanLoads | undefined {
  if (beam.mode !== 'loads') return undefined;
  const byCase = new Map<string, number>();
  for (const { id } of allCases(beam)) {
    for (const load of loadsOfCase(beam, id)) {
      if (load.span !== span) continue;
      const isUniform = load.kind === 'distributed' && load.start === load.end && load.from === 0 && load.to === beam.spans[span]!.length;
      if (!isUniform) return undefined;
      byCase.set(id, (byCase.get(id) ?? 0) + load.start);
    }
  }
  const combinations = activeCombinations(beam, code);
  const most = (kind: 'service' | 'sustained') =>
    Math.max(
      0,
      ...combinations
        .filter((k) => k.kind === kind)
        .map((k) => k.factors.reduce((sum, f) => sum + f.factor * (byCase.get(f.caseId) ?? 0), 0)),
    );
  const permanent = allCases(beam)
    .filter((c) => c.nature === 'permanent')
    .reduce((sum, c) => sum + (byCase.get(c.id) ?? 0), 0);
  return { service: most('service'), sustained: most('sustained'), permanent, width };
}
