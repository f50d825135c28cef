import { isUnproven, isWrong } from '@/core/checks/check';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { produce } from 'immer';
import type { SectionShape } from '@/core/geometry/section-shapes';
import type { ColumnResult } from '@/core/members/column/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import type { UprightMember } from '@/core/members/wall/upright';
import type { WallMember } from '@/core/members/wall/input';
import type { ColumnBars } from '@/core/reinforcement/column-bars';
import { AxisEditor } from '@/features/column/AxisEditor';
import { BarEditor } from '@/features/column/BarEditor';
import { BarsEditor } from '@/features/column/BarsEditor';
import { BasisPanel } from '@/features/column/BasisPanel';
import { ColumnSheet } from '@/features/column/ColumnSheet';
import { columnField } from '@/features/column/fields';
import { LoadSetsPanel } from '@/features/column/LoadSetsPanel';
import { ShapeFields } from '@/features/column/ShapeFields';
import { PasteSets } from '@/features/column/PasteSets';
import { StrainsPanel } from '@/features/column/StrainsPanel';
import { SurfacePanel } from '@/features/column/SurfacePanel';
import { WallEditor } from '@/features/column/WallEditor';
import { WaysForward } from '@/ui/ways/WaysForward';
import { useProject } from '@/store/project-store';
import { keepVariant } from '@/core/project/variants';
import { VariantsPanel } from '@/ui/ways/VariantsPanel';
import { openWithResults, projectOf, stubBrowser, newColumn, newWall } from './fixtures';

const proposed = jest.fn();
jest.mock('@/store/proposing', () => ({ propose: (...args: unknown[]): unknown => proposed(...args) }));
jest.mock('@/store/results', () => ({
  resultOf: (basis: Project, member: UprightMember) =>
    Promise.resolve(
      jest.requireActual<typeof import('@/core/project/design-member')>('@/core/project/design-member').designNow(basis, member),
    ),
}));

const column = {
  type: 'column',
  mark: 'C1',
  title: 'Test column',
  shape: { kind: 'rectangle', b: 350, h: 450 },
  height: 6800,
  materials: { concreteStrength: 40 },
  bars: { kind: 'sides', corner: '25', alongX: 1, sizeX: '25', alongY: 1, sizeY: '25' },
  axes: { x: { factor: 0.8 }, y: { factor: 0.8 } },
  sustained: 0.6,
  spans: undefined,
  section: undefined,
  sets: [
    { name: 'L1', title: 'all spans', N: 1640, mxTop: 190, mxBottom: -52, myTop: 96, myBottom: 90 },
    { name: 'L2', title: 'wind', N: 1400, mxTop: 210, mxBottom: -98, myTop: 60, myBottom: 50 },
  ],
};
const open = (change: object = {}): Project => {
  const project = projectOf({ ...column, ...change });
  act(() => openWithResults(project));
  return project;
};
const now = () => useProject.getState().project!.members[0] as ColumnMember;
const listed = () => (now().bars as ColumnBars & { kind: 'list' }).bars;
const resultOf = (p: Project): ColumnResult => designNow(p, p.members[0] as ColumnMember);
const place = () => {
  const target = document.createElement('button');
  document.body.append(target);
  return { target, handle: { of: 'bars' }, onClose: () => undefined };
};

beforeAll(stubBrowser);

describe('the sheet of a column', () => {
  const sheet = (p: Project, index = 0) => {
    const onChoose = jest.fn();
    const onEdit = jest.fn();
    render(
      <ColumnSheet
        project={p}
        member={p.members[0] as ColumnMember}
        result={resultOf(p)}
        index={index}
        isStale={false}
        hasFaults={false}
        onChoose={onChoose}
        onEdit={onEdit}
        editing={null}
      />,
    );
    return { onChoose, onEdit };
  };

  test('every bar is a button, and every dimension opens its editor', () => {
    const { onEdit } = sheet(open());
    expect(screen.getAllByRole('button', { name: /^Bar \d, 25/ })).toHaveLength(8);
    fireEvent.click(screen.getByRole('button', { name: /^Depth h: 450/ }));
    expect(onEdit).toHaveBeenLastCalledWith({ of: 'shape', side: 'h' }, expect.anything());
    fireEvent.keyDown(screen.getByRole('button', { name: /^Bar 1, 25/ }), { key: 'Enter' });
    expect(onEdit).toHaveBeenLastCalledWith({ of: 'bar', bar: 0 }, expect.anything());
  });

  test('says single and double curvature, and shows both measures of capacity', () => {
    sheet(open());
    expect(screen.getByText('double curvature')).toBeTruthy();
    expect(screen.getByText('single curvature')).toBeTruthy();
    expect(screen.getByText('over resistance at this N').nextSibling!.textContent).toMatch(/^0\.\d\d$/);
    expect(screen.getByText('N and M growing together').nextSibling!.textContent).toMatch(/^0\.\d\d$/);
  });

  test('the way from typed to carried moments opens as a table', () => {
    sheet(open());
    fireEvent.click(screen.getAllByRole('button', { name: 'step by step' })[1]!);
    const table = screen.getByRole('region', { name: 'Moments about y, step by step' });
    expect(within(table).getByRole('row', { name: /as typed 96\.0 93\.0 90\.0/ })).toBeTruthy();
    expect(within(table).getByText(/slender/)).toBeTruthy();
  });

  test('sets are chosen by click and arrow keys, worst first', () => {
    const { onChoose } = sheet(open());
    const options = screen.getAllByRole('option');
    expect(options.map((o) => o.getAttribute('aria-selected'))).toContain('true');
    fireEvent.click(options[1]!);
    expect(onChoose).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(screen.getByRole('listbox'), { key: 'ArrowDown' });
    expect(onChoose).toHaveBeenCalledTimes(2);
  });

  test('without sets it says what to do', () => {
    const p = open({ sets: [] });
    render(
      <ColumnSheet
        project={p}
        member={p.members[0] as ColumnMember}
        result={resultOf(p)}
        index={0}
        isStale
        hasFaults
        onChoose={jest.fn()}
        onEdit={jest.fn()}
        editing={null}
      />,
    );
    expect(screen.getByText(/No load sets yet on C1/)).toBeTruthy();
  });
});

describe('values on the drawing', () => {
  test.each([
    [{ of: 'shape', side: 'h' }, '18 in', (m: ColumnMember) => (m.shape as { h: number }).h, 457.2],
    [{ of: 'cover' }, '40', (m: ColumnMember) => m.cover, 40],
    [{ of: 'moment', set: 0, at: 'mxTop' }, '120', (m: ColumnMember) => m.sets[0]!.mxTop, 120e6],
    [{ of: 'ties' }, 'H10 @ 150', (m: ColumnMember) => m.ties.spacing, 150],
  ] as const)('%o takes %s', (handle, text, read, value) => {
    const p = open();
    const parsed = columnField(handle, p, p.members[0] as ColumnMember)!.parse(text);
    if (!parsed.ok) throw new Error(parsed.reason);
    const changed = produce(p.members[0] as ColumnMember, (m) => parsed.apply(m as never));
    expect(read(changed)).toBeCloseTo(value, 6);
  });
  test('ties step by spacing and by size', () => {
    const p = open();
    const field = columnField({ of: 'ties' }, p, p.members[0] as ColumnMember)!;
    expect(field.step!('H8 @ 200', 1, 1)).toBe('H8 @ 225');
    expect(field.step!('H8 @ 200', 1, 0.1)).toBe('H10 @ 200');
    expect(field.parse('often').ok).toBe(false);
  });
});

describe('editors of bars', () => {
  test('one bar, its face, taking out and adding', () => {
    const p = open();
    const { bars } = resultOf(p);
    const view = render(<BarEditor project={p} member={now()} index={0} bars={bars} {...place()} />);
    fireEvent.change(screen.getByLabelText('Size of the bar'), { target: { value: '32' } });
    expect(now().bars).toMatchObject({ kind: 'list' });
    expect(
      listed()
        .map((b) => b.size)
        .filter((s) => s === '32'),
    ).toHaveLength(1);
    fireEvent.change(screen.getByLabelText('Size of all bars of the face'), { target: { value: '20' } });
    expect(listed().filter((b) => b.size === '20')).toHaveLength(3);
    fireEvent.click(screen.getByText('take this bar out'));
    expect(listed()).toHaveLength(7);
    fireEvent.click(screen.getByText('add one beside it'));
    expect(listed()).toHaveLength(9);
    view.unmount();
  });

  test('the layout: numbers, sizes and kind', () => {
    const p = open();
    render(<BarsEditor project={p} member={now()} {...place()} />);
    fireEvent.change(screen.getByLabelText('Between, along x'), { target: { value: '3' } });
    expect(now().bars).toMatchObject({ alongX: 3 });
    fireEvent.change(screen.getByLabelText('Corner bars'), { target: { value: '32' } });
    expect(now().bars).toMatchObject({ corner: '32' });
    fireEvent.change(screen.getByLabelText('Cross ties'), { target: { value: '2' } });
    expect(now().ties.cross).toBe(2);
    fireEvent.change(screen.getByLabelText('Layout of the bars'), { target: { value: 'outline' } });
    expect(now().bars).toMatchObject({ kind: 'outline' });
  });

  test('an axis: unbraced, and its length from beams', () => {
    const p = open();
    render(<AxisEditor project={p} member={now()} axis="y" result={resultOf(p)} faults={[]} {...place()} />);
    fireEvent.change(screen.getByLabelText('Braced or unbraced'), { target: { value: 'unbraced' } });
    expect(now().axes.y.isBraced).toBe(false);
    fireEvent.change(screen.getByLabelText('Effective length'), { target: { value: 'ends' } });
    expect(now().axes.y.mode).toBe('ends');
    expect(screen.getByText(/slenderness/)).toBeTruthy();
  });

  test('the meshes of a wall', () => {
    const base = projectOf();
    const wall = newWall(base, 'w', 'W1', 'Hall');
    act(() => openWithResults({ ...base, members: [wall] }));
    render(<WallEditor project={base} member={wall} {...place()} />);
    fireEvent.change(screen.getByLabelText('Size of vertical bars'), { target: { value: '16' } });
    expect((useProject.getState().project!.members[0] as WallMember).vertical.size).toBe('16');
  });
});

describe('tables and panels', () => {
  test('load sets: typed, added, deleted, and the sense of signs', () => {
    const p = open();
    render(<LoadSetsPanel project={p} member={now()} faults={[{ path: 'sets[0].N', reason: 'A force is not a number.' }]} />);
    expect(screen.getByText('A force is not a number.')).toBeTruthy();
    const N = screen.getByLabelText('N of L1');
    fireEvent.change(N, { target: { value: '1.7 MN' } });
    fireEvent.blur(N);
    expect(now().sets[0]!.N).toBeCloseTo(1.7e6, 6);
    fireEvent.click(screen.getByRole('radio', { name: /turn both ends the same way/ }));
    expect(now().signs).toBe('turning');
    fireEvent.click(screen.getByText('Add a load set'));
    expect(now().sets.map((s) => s.name)).toEqual(['L1', 'L2', 'L3']);
    fireEvent.click(screen.getByLabelText('Delete L1'));
    expect(now().sets.map((s) => s.name)).toEqual(['L2', 'L3']);
  });

  test('load cases: added and combined by the code', () => {
    const p = open({
      mode: 'cases',
      sets: [],
      cases: [{ id: 'G', nature: 'permanent', title: 'Permanent' }],
      caseForces: [{ case: 'G', N: 500 }],
    });
    render(<LoadSetsPanel project={p} member={now()} faults={[]} />);
    expect(screen.getByText(/U1 .*: 1.35 G/)).toBeTruthy();
    fireEvent.click(screen.getByText('Add a load case'));
    expect(now().cases).toHaveLength(2);
    const field = screen.getByLabelText('Mx top of G');
    fireEvent.change(field, { target: { value: '25' } });
    fireEvent.blur(field);
    expect(now().caseForces[0]!.mxTop).toBeCloseTo(25e6, 6);
  });

  test('a pasted table is read, mended and kept', () => {
    const p = open();
    const text = ['Set\tN (kN)\tMx top', 'A\t900\t10', 'B\tn/a\t20', 'C\t800\t'].join('\n');
    render(<PasteSets project={p} member={now()} text={text} onClose={jest.fn()} />);
    expect(screen.getByRole('status').textContent).toMatch(/2 rows understood, 1 refused.*1 empty cell/);
    fireEvent.change(screen.getByLabelText('Row 2, N'), { target: { value: '850' } });
    expect(screen.getByRole('status').textContent).toMatch(/3 rows understood/);
    fireEvent.change(screen.getByLabelText('Unit of column 2'), { target: { value: 'MN' } });
    fireEvent.change(screen.getByLabelText('Unit of column 2'), { target: { value: 'kN' } });
    fireEvent.click(within(screen.getByRole('radiogroup', { name: 'Row 1 has N = 900:' })).getByRole('radio', { name: 'pulls' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep 3 load sets' }));
    expect(
      now()
        .sets.slice(2)
        .map((s) => s.N),
    ).toEqual([-900e3, -850e3, -800e3]);
  });

  const rowsOf = (...rows: string[]) => ['Column\tCombo\tStation\tN\tM3\tV2\tM2', ...rows].join('\n');
  test('rows of several columns go each to the member of its mark; what is left out is named', () => {
    const p = open();
    const mark = now().mark;
    const text = rowsOf(
      `${mark}\tU1\t0\t-830\t-20\t12\t0`,
      `${mark}\tU1\t3.2\t-820\t40\t12\t0`,
      'ZZ\tU1\t0\t-5\t1\t1\t0',
      'ZZ\tU1\t3.2\t-5\t1\t1\t0',
    );
    render(<PasteSets project={p} member={now()} text={text} onClose={jest.fn()} />);
    expect(screen.getByText(/no column or wall here has this mark: ZZ/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/in place of/));
    fireEvent.click(screen.getByRole('button', { name: 'Keep 1 load set' }));
    expect(now().sets).toHaveLength(1);
    expect(now().sets[0]).toMatchObject({ name: 'U1', N: 820e3, nBottom: 830e3, mxTop: 40e6, mxBottom: -20e6, vy: 12e3 });
  });
  test('rows of one other member are asked about, and a row without a member is not lost', () => {
    const p = open();
    const text = rowsOf('ZZ\tU1\t0\t-5\t1\t1\t0', 'ZZ\tU1\t3.2\t-5\t1\t1\t0', '\tU2\t0\t-6\t1\t1\t0');
    render(<PasteSets project={p} member={now()} text={text} onClose={jest.fn()} />);
    const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: /Keep/ });
    expect(keep().disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Rows go'), { target: { value: 'ZZ' } });
    expect(screen.getByText('No member is named in this row.')).toBeTruthy();
    expect(keep().disabled).toBe(false);
    expect(keep().textContent).toBe('Keep 1 load set');
  });
  test('a sign that is not plain is asked for before anything is kept', () => {
    const p = open();
    render(<PasteSets project={p} member={now()} text={'Set\tN\tMx\tB\nA\t-900\t10\t4\nB\t300\t20\t0'} onClose={jest.fn()} />);
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: /Keep/ });
    expect(keep.disabled).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: 'presses' }));
    expect(keep.disabled).toBe(false);
    expect(screen.getByRole('alert').textContent).toMatch(/Left out, though it holds values: B/);
  });

  test('the shape changes with bars that fit it', () => {
    const p = open();
    render(<BasisPanel project={p} member={now()} result={resultOf(p)} faults={[]} />);
    fireEvent.change(screen.getByLabelText('Section'), { target: { value: 'circle' } });
    expect(now()).toMatchObject({ shape: { kind: 'circle', diameter: 450 }, bars: { kind: 'ring' } });
    expect(designNow(useProject.getState().project!, now()).faults).toEqual([]);
    for (const kind of ['L', 'T', 'cross', 'I', 'ring', 'free', 'rectangle']) {
      fireEvent.change(screen.getByLabelText('Section'), { target: { value: kind } });
      expect([kind, designNow(useProject.getState().project!, now()).faults]).toEqual([kind, []]);
    }
  });

  test('the surface turns with the arrow keys and lists the critical points', () => {
    const p = open();
    render(<SurfacePanel project={p} member={now()} result={resultOf(p)} index={0} />);
    const first = document.querySelector('svg')!.innerHTML;
    fireEvent.keyDown(screen.getByRole('application'), { key: 'ArrowLeft' });
    expect(document.querySelector('svg')!.innerHTML).not.toBe(first);
    for (const name of ['squash', 'decompression', 'balance', 'pure bending', 'pure tension']) expect(screen.getByText(name)).toBeTruthy();
  });
});

describe('variants and ways forward', () => {
  test('kept, compared and adopted', async () => {
    const p = open();
    const view = render(<VariantsPanel project={p} member={now()} result={resultOf(p)} />);
    fireEvent.change(screen.getByLabelText('Name of the variant'), { target: { value: 'first' } });
    fireEvent.click(screen.getByText('Keep'));
    expect(now().variants.map((v) => v.name)).toEqual(['first']);
    act(() => useProject.getState().edit('deeper', (q) => ({ ...q, members: [{ ...now(), height: 5000 }] })));
    const q = useProject.getState().project!;
    view.rerender(<VariantsPanel project={q} member={now()} result={resultOf(q)} />);
    const row = screen.getByRole('row', { name: /Clear height/ });
    expect(row.textContent).toMatch(/5000.*6800/);
    await waitFor(() => expect(screen.getByRole('row', { name: /^N and M, mid-height/ })).toBeTruthy());
    fireEvent.click(screen.getByText('adopt'));
    expect(now().height).toBe(6800);
    expect(now().variants[0]!.name).toBe('before');
  });

  test('three variants stand beside the state in use, with cost and carbon', async () => {
    open();
    for (const [name, height] of [
      ['one', 5000],
      ['two', 5200],
      ['three', 5400],
      ['four', 5600],
    ] as const)
      act(() => void useProject.getState().edit(name, (q) => ({ ...q, members: [keepVariant({ ...now(), height }, name)] })));
    const q = useProject.getState().project!;
    render(<VariantsPanel project={q} member={now()} result={resultOf(q)} />);
    expect(screen.getAllByRole('columnheader').map((h) => h.textContent!.replace(/adopt.*/, ''))).toEqual([
      '',
      'in use',
      'two',
      'three',
      'four',
    ]);
    await waitFor(() => expect(screen.getByRole('row', { name: /^Cost against now/ }).textContent).not.toContain('…'));
    // In use: 5600 mm high, as the last one.
    expect(screen.getByRole('row', { name: /^Cost against now/ }).textContent).toMatch(/–\s?−7 % ◂−4 % ◂[+−]0 %/);
    expect(screen.getByRole('row', { name: /^Carbon against now/ }).textContent).toMatch(/–\s?−\d %/);
  });

  test('a proposal is tried with one click', async () => {
    const p = open();
    proposed.mockResolvedValue([
      {
        change: {
          shape: { kind: 'rectangle', b: 400, h: 400 },
          bars: { kind: 'sides', corner: '20', alongX: 1, sizeX: '20', alongY: 1, sizeY: '20' },
          ties: { size: '8', spacing: 250, spacingEnds: null, cross: null },
        },
        title: '400 × 400, 8H20, H8 @ 250',
        utilisation: 0.9,
        governs: 'N and M, top',
        detail: '1.6 %, 8 bars',
        cost: 0.95,
        carbon: 1.02,
        buildability: 0.8,
      },
    ]);
    render(<WaysForward project={p} member={now()} />);
    fireEvent.click(screen.getByText('least square'));
    await waitFor(() => expect(screen.getByText('400 × 400, 8H20, H8 @ 250')).toBeTruthy());
    expect(screen.getByText('−5 %, +2 %')).toBeTruthy();
    fireEvent.click(screen.getByText('try'));
    expect(now()).toMatchObject({ shape: { b: 400, h: 400 }, ties: { spacing: 250 } });
    proposed.mockResolvedValue([]);
    fireEvent.click(screen.getByText('least circle'));
    await waitFor(() => expect(screen.getByText(/Nothing among the usual bars holds/)).toBeTruthy());
  });

  test('new columns and walls have no faults in both units and codes, and no sustained part that nobody chose', () => {
    for (const code of [
      { id: 'en1992', variant: 'recommended' },
      { id: 'aci318', variant: 'US' },
    ]) {
      const p = { ...projectOf({}, { code }), display: code.variant === 'US' ? ('US' as const) : ('SI' as const) };
      for (const make of [newColumn, newWall]) {
        const m = make(p, 'n', 'N1', 'Hall');
        const r = designNow(p, m as UprightMember);
        expect([m.type, code.id, r.faults]).toEqual([m.type, code.id, []]);
        expect(m.sustained).toBeNull();
        expect(r.checks.filter(isWrong)).toEqual([]);
        const asked = r.checks.filter((c) => c.status === 'asked');
        for (const c of asked) expect(c.reason).toMatch(/sustained/);
        if (code.id === 'en1992') expect(asked).toHaveLength(1);
        const told = designNow(p, { ...m, sustained: 0.6 } as UprightMember);
        expect(told.checks.filter(isUnproven)).toEqual([]);
      }
    }
  });
});

describe('the outline on a grid', () => {
  const free = {
    shape: {
      kind: 'free',
      outer: [
        [-200, -200],
        [200, -200],
        [200, 200],
        [-200, 200],
      ],
      holes: [],
    },
    bars: { kind: 'outline', size: '20', spacing: 250 },
  };
  const outer = () => (now().shape as SectionShape & { kind: 'free' }).outer;

  it('arrow keys move a corner by a step, Insert adds one, Delete takes it away again', () => {
    const project = open(free);
    const { rerender } = render(<ShapeFields project={project} member={now()} result={resultOf(project)} />);
    fireEvent.keyDown(screen.getByRole('button', { name: /^Corner 3,/ }), { key: 'ArrowRight' });
    expect(outer()[2]).toEqual([225, 200]);
    rerender(<ShapeFields project={useProject.getState().project!} member={now()} result={resultOf(project)} />);
    fireEvent.keyDown(screen.getByRole('button', { name: /^Corner 3,/ }), { key: 'Insert' });
    expect(outer()).toHaveLength(5);
    rerender(<ShapeFields project={useProject.getState().project!} member={now()} result={resultOf(project)} />);
    fireEvent.keyDown(screen.getByRole('button', { name: /^Corner 4,/ }), { key: 'Delete' });
    expect(outer()).toHaveLength(4);
  });

  it('an outline that crosses itself is said at once and stays as typed', () => {
    const project = open({
      ...free,
      shape: {
        ...free.shape,
        outer: [
          [0, 0],
          [300, 300],
          [300, 0],
          [0, 300],
        ],
      },
    });
    render(<ShapeFields project={project} member={now()} result={resultOf(project)} />);
    expect(screen.getByText(/Edges 1 and 3 cross/)).toBeTruthy();
  });
});

describe('strains', () => {
  it('shows the chosen set, an ultimate and a service one, with what is checked by hand', () => {
    const project = open({ sets: [...column.sets, { name: 'S1', kind: 'quasiPermanent', N: 600, mxTop: 120, mxBottom: 0 }] });
    const result = resultOf(project);
    const chosen = jest.fn();
    const props = { project, member: now(), result, onChoose: chosen };
    const { rerender } = render(<StrainsPanel {...props} index={0} />);
    expect(screen.getByRole('table', { name: 'Strains of the bars' }).textContent).toContain('1, 25');
    expect(screen.getAllByText('agrees')).toHaveLength(3);
    fireEvent.change(screen.getByLabelText('Load set'), { target: { value: '2' } });
    expect(chosen).toHaveBeenCalledWith(2);
    rerender(<StrainsPanel {...props} index={2} />);
    expect(screen.getByText(/cracked elastic section/)).toBeTruthy();
    expect(within(screen.getByLabelText('Place')).queryByText('mid-height')).toBeNull();
  });
});

describe('forces at the foot', () => {
  it('columns for them appear when wanted; typed, kept, and emptied again', () => {
    const project = open();
    const { rerender } = render(<LoadSetsPanel project={project} member={now()} faults={[]} />);
    expect(screen.queryByLabelText('N foot of L1')).toBeNull();
    fireEvent.click(screen.getByLabelText('N and V differ at the foot'));
    const field = screen.getByLabelText('N foot of L1');
    fireEvent.change(field, { target: { value: '1700' } });
    fireEvent.blur(field);
    expect(now().sets[0]!.nBottom).toBe(1.7e6);
    rerender(<LoadSetsPanel project={useProject.getState().project!} member={now()} faults={[]} />);
    fireEvent.click(screen.getByLabelText('N and V differ at the foot'));
    expect(now().sets[0]!.nBottom).toBeNull();
  });
});
