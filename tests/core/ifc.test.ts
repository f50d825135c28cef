/**
 * @jest-environment node
 */
import { readFileSync } from 'node:fs';
import { IfcAPI, IFCBEAM, IFCBUILDINGSTOREY, IFCCOLUMN, IFCPROPERTYSINGLEVALUE, IFCREINFORCINGBAR, IFCSLAB, IFCWALL } from 'web-ifc';
import { countOf } from '@/core/model/bar-set';
import { lengthAlong } from '@/core/model/centre-line';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { projectIfc } from '@/exchange/ifc/project-ifc';
import { globalId, StepFile, stepText, typed, integer } from '@/exchange/ifc/step-file';

const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!read.ok) throw new Error('demo');
const { project } = read;
const designed = project.members.map((member) => ({ member, result: designNow(project, member) }));
const models = designed.map((d) => ({ ...d, model: modelOf(project, d.member, d.result) }));
const text = projectIfc(project, designed);

describe('STEP text', () => {
  test('quotes, signs beyond ASCII and numbers as ISO 10303-21 has them', () => {
    expect(stepText("it's ø16")).toBe("'it''s \\X2\\00F8\\X0\\16'");
    const file = new StepFile();
    file.add('A', null, 1, 0.00001, 2.5, true, integer(3), typed('IFCLABEL', 'x'), [1, 2]);
    expect(file.text('IFC4', 'n', 'a', '2026-03-14')).toContain("#1=A($,1.,0.00001,2.5,.T.,3,IFCLABEL('x'),(1.,2.));");
    expect(() => file.add('A', NaN)).toThrow('Not a number');
  });
  test('global ids: 22 signs, the first of four, the same for the same words, others for others', () => {
    const ids = Array.from({ length: 5000 }, (_, i) => globalId(`member ${i}`));
    expect(new Set(ids).size).toBe(5000);
    for (const id of ids) expect(id).toMatch(/^[0-3][0-9A-Za-z_$]{21}$/);
    expect(globalId('member 7')).toBe(ids[7]);
  });
  test('ids of a file are there once', () => {
    const ids = [
      ...text.matchAll(/=IFC(?:REINFORCINGBAR|BEAM|COLUMN|WALL|SLAB|REL\w+|PROPERTYSET|BUILDING\w*|SITE|PROJECT)\('([^']{22})'/g),
    ].map((m) => m[1]);
    expect(ids.length).toBeGreaterThan(500);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('IFC 4, read by a reader that is not ours', () => {
  const api = new IfcAPI();
  let id = -1;
  beforeAll(async () => {
    await api.Init();
    id = api.OpenModel(new TextEncoder().encode(text));
  }, 60_000);
  afterAll(() => api.CloseModel(id));

  const lines = (type: number) => {
    const ids = api.GetLineIDsWithType(id, type);
    return Array.from({ length: ids.size() }, (_, i) => api.GetLine(id, ids.get(i)) as Record<string, { value: unknown } | null>);
  };
  const valueOf = (field: { value: unknown } | null | undefined) => field?.value;

  test('storeys are the places of members; every member is there once, as what it is', () => {
    expect(
      lines(IFCBUILDINGSTOREY)
        .map((s) => valueOf(s.Name))
        .sort(),
    ).toEqual([...new Set(project.members.map((m) => m.place || 'Members'))].sort());
    const marks = [IFCBEAM, IFCCOLUMN, IFCWALL, IFCSLAB].flatMap((type) => lines(type).map((e) => valueOf(e.Tag)));
    expect([...marks].sort()).toEqual(project.members.map((m) => m.mark).sort());
    expect(lines(IFCCOLUMN).map((e) => valueOf(e.Tag))).toContain('FC2');
  });

  test('as many bars as the model has, as long, of the same mass', () => {
    const bars = lines(IFCREINFORCINGBAR);
    expect(bars).toHaveLength(models.reduce((sum, { model }) => sum + model.bars.reduce((s, set) => s + countOf(set), 0), 0));
    const volume = bars.reduce((sum, b) => sum + Number(valueOf(b.BarLength)) * Number(valueOf(b.CrossSectionArea)), 0);
    const own = models.reduce(
      (sum, { model }) =>
        sum + model.bars.reduce((s, set) => s + (countOf(set) * lengthAlong(set.corners) * (Math.PI * set.bar.diameter ** 2)) / 4, 0),
      0,
    );
    expect(volume / own).toBeCloseTo(1, 6);
  });

  test('governing utilisations are the ones of the design', () => {
    const values = lines(IFCPROPERTYSINGLEVALUE)
      .filter((p) => valueOf(p.Name) === 'Utilisation')
      .map((p) => Number(valueOf(p.NominalValue)));
    const own = designed.flatMap(({ result }) => (result.governing?.utilisation != null ? [result.governing.utilisation] : []));
    expect(values).toHaveLength(own.length);
    const sorted = (list: readonly number[]) => [...list].sort((a, b) => a - b);
    sorted(values).forEach((v, i) => expect(v).toBeCloseTo(sorted(own)[i]!, 5));
  });

  /** Extents of a product's solids in its own axes as drawn (m in the reader's world, y up). */
  function extents(expressId: number): number[] {
    const [low, high] = [
      [Infinity, Infinity, Infinity],
      [-Infinity, -Infinity, -Infinity],
    ];
    const mesh = api.GetFlatMesh(id, expressId);
    for (let g = 0; g < mesh.geometries.size(); g += 1) {
      const placed = mesh.geometries.get(g);
      const geometry = api.GetGeometry(id, placed.geometryExpressID);
      const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
      const m = placed.flatTransformation;
      for (let i = 0; i < vertices.length; i += 6)
        for (let k = 0; k < 3; k += 1) {
          const v = m[k]! * vertices[i]! + m[4 + k]! * vertices[i + 1]! + m[8 + k]! * vertices[i + 2]! + m[12 + k]!;
          low[k] = Math.min(low[k]!, v);
          high[k] = Math.max(high[k]!, v);
        }
    }
    return high.map((v, k) => (v - low[k]!) * 1000);
  }

  test('solids are as large as the members: length, breadth and depth of every beam and column', () => {
    let compared = 0;
    for (const type of [IFCBEAM, IFCCOLUMN, IFCWALL]) {
      const ids = api.GetLineIDsWithType(id, type);
      for (let i = 0; i < ids.size(); i += 1) {
        const mark = valueOf((api.GetLine(id, ids.get(i)) as Record<string, { value: unknown }>).Tag);
        const { model } = models.find((m) => m.member.mark === mark)!;
        if (model.concrete.length === 0) continue;
        const all = model.concrete.flatMap(({ along, from, to, outline }) =>
          outline.outer.flatMap(([u, v]) => [from, to].map((t) => (along === 'x' ? [t, u, v] : [u, v, t]))),
        );
        const own = [0, 1, 2].map((k) => Math.max(...all.map((p) => p[k]!)) - Math.min(...all.map((p) => p[k]!)));
        // The reader turns z up into y up.
        const [x, z, y] = extents(ids.get(i));
        [x, y, z].forEach((v, k) => expect(Math.abs(v! - own[k]!)).toBeLessThan(0.01 * own[k]! + 1));
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(8);
  });

  test('every bar is a solid; those of a beam are no longer than it', () => {
    const [first] = models;
    const ids = api.GetLineIDsWithType(id, IFCREINFORCINGBAR);
    const sizes = Array.from({ length: ids.size() }, (_, i) => extents(ids.get(i)));
    for (const size of sizes) expect(Math.max(...size)).toBeGreaterThan(50);
    const { concrete } = first!.model;
    const long = Math.max(...concrete.map((p) => p.to)) - Math.min(...concrete.map((p) => p.from));
    for (const [x] of sizes.slice(0, 40)) {
      expect(x).toBeGreaterThan(5);
      expect(x).toBeLessThan(long);
    }
  });
});
