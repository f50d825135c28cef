/**
 * @jest-environment node
 */
import { readFileSync } from 'node:fs';
import type { Point } from '@/core/geometry/polygon';
import { signedArea } from '@/core/geometry/polygon';
import type { BeamMember } from '@/core/members/beam/input';
import type { ColumnMember } from '@/core/members/column/input';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';
import { offered, strengthOf } from '@/exchange/import/members-of-ifc';
import { axesBy, placedBy, seenFrom, within } from '@/exchange/ifc/placement';
import { projectIfc } from '@/exchange/ifc/project-ifc';
import { readIfc, type IfcElement } from '@/exchange/ifc/read-ifc';
import { takeElements } from '@/features/project/import/take-elements';

const opened = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!opened.ok) throw new Error('demo');
const { project } = opened;

async function elementsIn(text: string): Promise<readonly IfcElement[]> {
  const reading = await readIfc(new TextEncoder().encode(text));
  if (!reading.ok) throw new Error(reading.reason);
  return reading.elements;
}

/** A file as another program writes it: in metres or feet, members turned and moved, profiles at their own places. */
function file(lines: readonly string[], unit = '#4=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);', schema = 'IFC4'): string {
  return [
    'ISO-10303-21;',
    'HEADER;',
    "FILE_DESCRIPTION((''),'2;1');",
    "FILE_NAME('a.ifc','2026-03-14T00:00:00',(''),(''),'','','');",
    `FILE_SCHEMA(('${schema}'));`,
    'ENDSEC;',
    'DATA;',
    "#1=IFCPROJECT('0000000000000000000001',$,'P',$,$,$,$,(#2),#3);",
    "#2=IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,0.00001,#10,$);",
    '#3=IFCUNITASSIGNMENT((#4));',
    unit,
    '#5=IFCCARTESIANPOINT((0.,0.,0.));',
    '#6=IFCDIRECTION((0.,0.,1.));',
    '#7=IFCDIRECTION((1.,0.,0.));',
    '#8=IFCDIRECTION((0.,1.,0.));',
    '#10=IFCAXIS2PLACEMENT3D(#5,$,$);',
    ...lines,
    'ENDSEC;',
    'END-ISO-10303-21;',
    '',
  ].join('\n');
}

/** An element with a solid: profile line, placement of the element and of the solid. */
const element = (
  n: number,
  entity: string,
  tag: string,
  profile: string,
  placement: string,
  position: string,
  depth: number,
  after = '',
) => [
  `#${n}=${profile}`,
  `#${n + 1}=${position}`,
  `#${n + 2}=IFCEXTRUDEDAREASOLID(#${n},#${n + 1},#6,${depth});`,
  `#${n + 3}=IFCSHAPEREPRESENTATION(#2,'Body','SweptSolid',(#${n + 2}));`,
  `#${n + 4}=IFCPRODUCTDEFINITIONSHAPE($,$,(#${n + 3}));`,
  `#${n + 5}=IFCLOCALPLACEMENT($,#${n + 6});`,
  `#${n + 6}=${placement}`,
  `#${n + 7}=${entity}('${String(n).padStart(22, '0')}',$,'${tag} name',$,$,#${n + 5},#${n + 4},'${tag}'${after});`,
];
const upright = 'IFCAXIS2PLACEMENT3D(#5,$,$);';

describe('members out of a building model', () => {
  test('what was written is read again: sections, spans in all, heights, thicknesses of every demo member that has one solid', async () => {
    const elements = await elementsIn(
      projectIfc(
        project,
        project.members.map((member) => ({ member, result: designNow(project, member) })),
      ),
    );
    const list = offered(elements, []);
    expect(list).toHaveLength(project.members.length);
    let compared = 0;
    for (const member of project.members) {
      const { meant, element: e } = list.find((o) => o.mark === member.mark)!;
      expect([member.mark, e.storey]).toEqual([member.mark, member.place || 'Members']);
      expect([member.mark, strengthOf(e.material)]).toEqual([member.mark, member.materials.concreteStrength]);
      if (!meant) continue;
      compared += 1;
      if (meant.kind === 'beam' && member.type === 'beam') {
        expect([member.mark, meant.section.b, meant.section.h]).toEqual([member.mark, member.section.b, member.section.h]);
        expect(meant.length).toBeGreaterThan(member.spans.reduce((sum, s) => sum + s.length, 0) - 1);
      } else if (meant.kind === 'column' && member.type === 'column') {
        expect([member.mark, meant.height]).toEqual([member.mark, member.height]);
        if (member.shape.kind === 'rectangle') expect(meant.shape).toEqual(member.shape);
      } else if (meant.kind === 'wall' && member.type === 'wall') expect(meant.thickness).toBe(member.thickness);
    }
    expect(compared).toBeGreaterThan(9);
  }, 60_000);

  test('a beam in metres, turned on the plan, its profile lying: width and depth as it stands', async () => {
    // Solid along the element's x; the profile's x looks up, its y across: 0.6 high, 0.25 wide.
    const [beam] = offered(
      await elementsIn(
        file([
          '#20=IFCDIRECTION((0.6,0.8,0.));',
          ...element(
            30,
            'IFCBEAM',
            'B7',
            'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,0.6,0.25);',
            'IFCAXIS2PLACEMENT3D(#5,$,#20);',
            'IFCAXIS2PLACEMENT3D(#5,#7,#6);',
            7.35,
            ',.BEAM.',
          ),
          "#60=IFCMATERIAL('Concrete C35/45',$,$);",
          "#61=IFCRELASSOCIATESMATERIAL('0000000000000000000061',$,$,$,(#37),#60);",
          "#62=IFCBUILDINGSTOREY('0000000000000000000062',$,'Level 2',$,$,$,$,$,$,$);",
          "#63=IFCRELCONTAINEDINSPATIALSTRUCTURE('0000000000000000000063',$,$,$,(#37),#62);",
        ]),
      ),
      [],
    );
    expect(beam).toMatchObject({ mark: 'B7', strength: 35, refused: '', element: { storey: 'Level 2', material: 'Concrete C35/45' } });
    expect(beam!.meant).toMatchObject({ kind: 'beam', length: 7350, section: { shape: 'rectangular', b: 250, h: 600 } });
  });

  test('an upright T of a beam is its outline, flange up, however the profile is turned', async () => {
    const t = 'IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,#100);';
    const corners: Point[] = [
      [-0.15, 0],
      [0.15, 0],
      [0.15, 0.4],
      [0.5, 0.4],
      [0.5, 0.55],
      [-0.5, 0.55],
      [-0.5, 0.4],
      [-0.15, 0.4],
    ];
    const [beam] = offered(
      await elementsIn(
        file([
          ...corners.map(([x, y], i) => `#${101 + i}=IFCCARTESIANPOINT((${x}.,${y}.));`.replace(/(\d\.\d+)\./g, '$1')),
          `#100=IFCPOLYLINE((${[...corners.map((_, i) => `#${101 + i}`), '#101'].join(',')}));`,
          // Along x; the profile's x across (y of the world), its y up.
          ...element(30, 'IFCBEAM', 'T1', t, upright, 'IFCAXIS2PLACEMENT3D(#5,#7,#8);', 5, ',.BEAM.'),
        ]),
      ),
      [],
    );
    expect(beam!.meant).toMatchObject({ kind: 'beam', section: { shape: 'free', b: 300, h: 550 } });
  });

  test('columns: a rectangle, a circle in feet, one aslant and one of another profile are each right or refused', async () => {
    const foot = [
      "#4=IFCCONVERSIONBASEDUNIT(#9,.LENGTHUNIT.,'FOOT',#11);",
      '#9=IFCDIMENSIONALEXPONENTS(1,0,0,0,0,0,0);',
      '#11=IFCMEASUREWITHUNIT(IFCLENGTHMEASURE(0.3048),#12);',
      '#12=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);',
    ].join('\n');
    const list = offered(
      await elementsIn(
        file(
          [
            '#20=IFCDIRECTION((0.5,0.,0.8));',
            ...element(30, 'IFCCOLUMN', 'C1', 'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,1.5,1.);', upright, upright, 12, ',.COLUMN.'),
            ...element(40, 'IFCCOLUMN', 'C2', 'IFCCIRCLEPROFILEDEF(.AREA.,$,$,0.75);', upright, upright, 10, ',.COLUMN.'),
            ...element(
              50,
              'IFCCOLUMN',
              'C3',
              'IFCCIRCLEPROFILEDEF(.AREA.,$,$,0.75);',
              'IFCAXIS2PLACEMENT3D(#5,#20,$);',
              upright,
              10,
              ',.COLUMN.',
            ),
            ...element(60, 'IFCCOLUMN', 'C1', 'IFCISHAPEPROFILEDEF(.AREA.,$,$,1.,1.,0.1,0.1,$,$,$);', upright, upright, 10, ',.COLUMN.'),
          ],
          foot,
        ),
      ),
      [{ mark: 'c2' }],
    );
    expect(list.map((o) => [o.mark, o.refused])).toEqual([
      ['C1', ''],
      ['C2', 'a member of this mark is there'],
      ['C3', 'does not stand upright'],
      ['C1 2', 'has a profile that is not read'],
    ]);
    expect(list[0]!.meant).toEqual({ kind: 'column', shape: { kind: 'rectangle', b: 457.2, h: 304.8 }, height: 3657.6 });
  });

  test('a slab with an opening, its plan seen from above', async () => {
    const list = offered(
      await elementsIn(
        file(
          [
            '#20=IFCCARTESIANPOINT((10.,20.,3.));',
            '#21=IFCCARTESIANPOINT((2.,-1.,0.));',
            '#22=IFCAXIS2PLACEMENT3D(#20,$,#8);',
            // 8 by 5 about the origin of the element, which is turned by 90 degrees.
            ...element(
              30,
              'IFCSLAB',
              'S1',
              'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,8.,5.);',
              'IFCAXIS2PLACEMENT3D(#20,$,#8);',
              upright,
              0.22,
              ',.FLOOR.',
            ),
            ...element(
              50,
              'IFCOPENINGELEMENT',
              'O1',
              'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,1.2,0.8);',
              upright,
              'IFCAXIS2PLACEMENT3D(#5,$,$);',
              1,
              ',.OPENING.',
            ),
            "#70=IFCRELVOIDSELEMENT('0000000000000000000070',$,$,$,#37,#57);",
          ].map((l) => (l.startsWith('#55=') ? '#55=IFCLOCALPLACEMENT(#35,#71);\n#71=IFCAXIS2PLACEMENT3D(#21,$,$);' : l)),
        ),
      ),
      [],
    );
    const { meant } = list.find((o) => o.mark === 'S1')!;
    if (meant?.kind !== 'slab') throw new Error('no slab');
    expect(meant.h).toBe(220);
    expect(signedArea(meant.outer)).toBe(8000 * 5000);
    // Middle of the slab is at (4, 2.5) from its corner; the opening at (2, -1) from the middle.
    const [hole] = meant.holes;
    expect(Math.min(...hole!.map((p) => p[0]))).toBeCloseTo(4000 + 2000 - 600, 1);
    expect(Math.max(...hole!.map((p) => p[1]))).toBeCloseTo(2500 - 1000 + 400, 1);
  });

  test.each([
    ['PK and a zip', 'no IFC file'],
    [file([], undefined, 'IFC4X9'), ''],
    [file([], undefined, 'AP214'), 'schema is AP214'],
    [file([]), 'no beams'],
  ])('%.30j is refused in words', async (text, words) => {
    const reading = await readIfc(new TextEncoder().encode(text));
    expect(reading.ok).toBe(false);
    if (!reading.ok) expect(reading.reason).toContain(words);
  });

  test('names of materials: cylinder strengths, or nothing', () => {
    expect(['C30/37', 'Beton C 25/30 XC1', 'LC30/33', 'Concrete 4000 psi', 'S355', ''].map(strengthOf)).toEqual([
      30,
      25,
      30,
      null,
      null,
      null,
    ]);
  });

  test('taken over, they stand in the project with sizes, places and strengths, have no loads, and are read again', async () => {
    const elements = await elementsIn(
      file([
        ...element(
          30,
          'IFCBEAM',
          'NB1',
          'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,0.25,0.6);',
          upright,
          'IFCAXIS2PLACEMENT3D(#5,#7,#8);',
          7.35,
          ',.BEAM.',
        ),
        ...element(40, 'IFCCOLUMN', 'NC1', 'IFCCIRCLEPROFILEDEF(.AREA.,$,$,0.25);', upright, upright, 3.2, ',.COLUMN.'),
        ...element(50, 'IFCWALL', 'NW1', 'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,0.2,4.);', upright, upright, 3, ',.SOLIDWALL.'),
        ...element(60, 'IFCSLAB', 'NS1', 'IFCRECTANGLEPROFILEDEF(.AREA.,$,$,6.,5.);', upright, upright, 0.2, ',.FLOOR.'),
      ]),
    );
    const after = takeElements(project, offered(elements, project.members));
    const made = after.members.slice(project.members.length);
    expect(made.map((m) => [m.mark, m.type])).toEqual([
      ['NB1', 'beam'],
      ['NC1', 'column'],
      ['NW1', 'wall'],
      ['NS1', 'plate'],
    ]);
    expect((made[0] as BeamMember).loads).toEqual([]);
    expect((made[1] as ColumnMember).shape).toEqual({ kind: 'circle', diameter: 500 });
    expect(made[2]).toMatchObject({ thickness: 200, length: 4000, height: 3000, isStrip: false });
    const again = readProject(JSON.parse(writeProject(after)));
    expect(again.ok && writeProject(again.project)).toEqual(writeProject(after));
    for (const member of made) expect(designNow(after, member).checks.every((c) => !Number.isNaN(c.utilisation))).toBe(true);
  });
});

test('axes within axes: a place goes out and comes back', () => {
  const outer = axesBy([3, -2, 7], [0, 0.6, 0.8], [1, 0.2, 0]);
  const both = within(outer, axesBy([1, 1, 4], [1, 0, 1], [0, 1, 0]));
  const p = [0.3, -5, 2] as const;
  seenFrom(both, placedBy(both, p)).forEach((v, k) => expect(v).toBeCloseTo(p[k]!, 9));
  expect(Math.hypot(...both.x)).toBeCloseTo(1, 9);
});
