/**
 * @jest-environment node
 */
import { readFileSync } from 'node:fs';
import { IfcAPI, IFCREINFORCINGBAR, IFCRELAGGREGATES, IFCRELDEFINESBYPROPERTIES } from 'web-ifc';
import { between } from '@/core/model/centre-line';
import { cageBetween } from '@/core/model/cage';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { memberSheet } from '@/core/sheets/member-sheet';
import type { Entity } from '@/core/sheets/sheet';
import { projectIfc } from '@/exchange/ifc/project-ifc';

interface Held {
  readonly value: unknown;
}
type Line = Record<string, Held & readonly Held[]>;
interface BarOfFile {
  readonly mark: string;
  readonly diameter: number;
  readonly length: number;
  readonly share: number;
}

/** Bars of a file by the mark of their member, read by a reader that is not ours. */
async function barsOfIfc(text: string): Promise<Map<string, BarOfFile[]>> {
  const api = new IfcAPI();
  await api.Init();
  const id = api.OpenModel(new TextEncoder().encode(text));
  const line = (at: number) => api.GetLine(id, at) as Line;
  const linesOf = (type: number) => {
    const ids = api.GetLineIDsWithType(id, type);
    return Array.from({ length: ids.size() }, (_, i) => [ids.get(i), line(ids.get(i))] as const);
  };
  const shares = new Map<number, number>();
  for (const [, rel] of linesOf(IFCRELDEFINESBYPROPERTIES)) {
    const set = line(Number(rel.RelatingPropertyDefinition!.value));
    const share = set.HasProperties!.map((p) => line(Number(p.value))).find((p) => p.Name!.value === 'Share');
    if (share) for (const bar of rel.RelatedObjects!) shares.set(Number(bar.value), Number((share.NominalValue as Held).value));
  }
  const bars = new Map(linesOf(IFCREINFORCINGBAR));
  const found = new Map<string, BarOfFile[]>();
  for (const [, rel] of linesOf(IFCRELAGGREGATES)) {
    const own = rel.RelatedObjects!.flatMap((o) => {
      const bar = bars.get(Number(o.value));
      return bar ? [{ at: Number(o.value), bar }] : [];
    });
    if (own.length === 0) continue;
    const member = String(line(Number(rel.RelatingObject!.value)).Tag!.value);
    found.set(
      member,
      own.map(({ at, bar }) => ({
        mark: String(bar.Tag!.value),
        diameter: Number(bar.NominalDiameter!.value),
        length: Number(bar.BarLength!.value),
        share: shares.get(at) ?? 1,
      })),
    );
  }
  api.CloseModel(id);
  return found;
}

/** Sums of amounts by key. */
function summed<T>(list: readonly T[], key: (v: T) => string, amount: (v: T) => number): Record<string, number> {
  const sums: Record<string, number> = {};
  for (const v of list) sums[key(v)] = (sums[key(v)] ?? 0) + amount(v);
  return sums;
}

/** The same keys, each sum within a share of the other. */
function expectClose(mark: string, a: Record<string, number>, b: Record<string, number>, within: number) {
  expect([mark, Object.keys(a).sort()]).toEqual([mark, Object.keys(b).sort()]);
  for (const key of Object.keys(a)) expect([mark, key, Math.abs(a[key]! / b[key]! - 1) <= within]).toEqual([mark, key, true]);
}

const flat = (entities: readonly Entity[]): Entity[] => entities.flatMap((e) => (e.kind === 'block' ? flat(e.entities) : [e]));

describe.each(['alderlight-playhouse', 'alderlight-annex-us', 'alderlight-ferry-house'])(
  '%s: schedule, cage, drawing and IFC are of one model',
  (name) => {
    const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
    if (!read.ok) throw new Error(name);
    const { project } = read;
    const designed = project.members.map((member) => ({ member, result: designNow(project, member) }));
    let ofIfc: Map<string, BarOfFile[]>;
    beforeAll(async () => {
      ofIfc = await barsOfIfc(projectIfc(project, designed));
    }, 120_000);

    test('IFC and schedule: as many of each mark, as long but for rounding and the rule of bends', () => {
      let compared = 0;
      for (const { member, result } of designed) {
        const { items } = memberSchedule(project, member, result);
        const bars = ofIfc.get(member.mark) ?? [];
        const count = summed(
          items,
          (k) => k.mark,
          (k) => k.count,
        );
        const inFile = summed(
          bars,
          (b) => b.mark,
          (b) => b.share,
        );
        expect([member.mark, Object.keys(inFile).sort()]).toEqual([member.mark, Object.keys(count).sort()]);
        for (const key of Object.keys(count))
          expect([member.mark, key, Math.abs(count[key]! - inFile[key]!) < 0.006]).toEqual([member.mark, key, true]);
        for (const b of bars) {
          const item = items.find((k) => k.mark === b.mark)!;
          // Rounded up by 25 mm or an inch at the most; where bends are not taken off, by 0.43 (r + d/2) and a little for each of five.
          expect([member.mark, b.mark, item.length - b.length > -0.045 * b.length - 1]).toEqual([member.mark, b.mark, true]);
          expect([member.mark, b.mark, item.length - b.length < 30 + 16 * b.diameter]).toEqual([member.mark, b.mark, true]);
          compared += 1;
        }
      }
      expect(compared).toBeGreaterThan(200);
    });

    test('cage and IFC: the same steel in each size', () => {
      for (const { member, result } of designed) {
        const { bars } = modelOf(project, member, result);
        const length = (points: readonly (readonly [number, number, number])[]) =>
          points.slice(1).reduce((sum, p, i) => sum + between(points[i]!, p), 0);
        const cage = summed(
          cageBetween(bars, -Infinity, Infinity),
          (b) => b.diameter.toFixed(0),
          (b) => length(b.points),
        );
        const file = summed(
          ofIfc.get(member.mark) ?? [],
          (b) => b.diameter.toFixed(0),
          (b) => b.length,
        );
        // A cage draws arcs by chords of an eighth of a turn: sin(22.5°) / (22.5° in radians) = 0.974.
        expectClose(member.mark, cage, file, 0.0256);
      }
    });

    test('drawing and IFC: the bars pulled out below an elevation are those of the file', () => {
      let compared = 0;
      for (const { member, result } of designed) {
        const sheet = memberSheet(project, member, result);
        if (typeof sheet === 'string' || sheet.views[0]!.title !== 'Elevation') continue;
        const { bars, concrete } = modelOf(project, member, result);
        if (concrete[0]!.along !== 'x') continue;
        const isBar = new Set(bars.filter((b) => b.role === 'bar').map((b) => b.mark));
        const texts = flat(sheet.views[0]!.entities).flatMap((e) => (e.kind === 'text' && / L = /.test(e.text) ? [e.text] : []));
        const drawn = summed(
          texts.map((t) => /^([\d.]+).*?-(\d+)/.exec(t)!),
          ([, , mark]) => mark!,
          ([, count]) => Number(count),
        );
        const file = summed(
          (ofIfc.get(member.mark) ?? []).filter((b) => isBar.has(b.mark)),
          (b) => b.mark,
          (b) => b.share,
        );
        expectClose(member.mark, drawn, file, 0.006);
        compared += 1;
      }
      expect(compared).toBeGreaterThan(2);
    });
  },
);
