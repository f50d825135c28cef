import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { useRouter } from 'next/navigation';
import type { BeamResult } from '@/core/members/beam/result';
import { newMember } from '@/core/project/new-member';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { BarsPanel } from '@/features/beam/BarsPanel';
import { BasisPanel } from '@/features/beam/BasisPanel';
import { CombinationsPanel } from '@/ui/tables/CombinationsPanel';
import { LoadsTable } from '@/ui/tables/LoadsTable';
import { ForcesPanel } from '@/features/beam/ForcesPanel';
import { HandChecks } from '@/ui/tables/HandChecks';
import { beamLoads } from '@/features/beam/loads';
import { SupportEditor } from '@/ui/fields/SupportEditor';
import { useProject } from '@/store/project-store';
import { MemberList, memberStanding } from '@/ui/sheet/MemberList';
import { firstMember, openWithResults, projectOf, stubBrowser } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn() }));
beforeAll(stubBrowser);
beforeEach(() => (useRouter as jest.Mock).mockReturnValue({ push: jest.fn() }));

const now = () => firstMember(useProject.getState().project!);
const labels = () => useProject.getState().past.map((s) => s.label);

function open(member: Record<string, unknown> = {}): Project {
  const project = projectOf(member);
  openWithResults(project);
  return project;
}
const paste = (el: Element, text: string) => act(() => void fireEvent.paste(el, { clipboardData: { getData: () => text } }));
const change = (el: Element, value: string) => act(() => void fireEvent.change(el, { target: { value } }));

describe('loads', () => {
  const show = () => {
    const project = open();
    render(
      <LoadsTable
        table={beamLoads}
        project={project}
        member={firstMember(project)}
        faults={[{ path: 'loads[1].at', reason: 'The load stands off the span.' }]}
      />,
    );
  };
  test('a fault stands at its row', () => {
    show();
    expect(screen.getByText('The load stands off the span.')).toBeTruthy();
  });
  test('a load takes another type at the same place', () => {
    show();
    change(screen.getByRole('combobox', { name: 'Type of load 1' }), 'point');
    expect(now().loads[0]).toEqual({ type: 'point', case: 'G', note: '', span: 0, force: 50_000, at: 3000 });
  });
  test('value, case and span are edited in the table', () => {
    show();
    const value = screen.getByRole('textbox', { name: 'Value of load 1' });
    change(value, '1.5 kip/ft');
    act(() => void fireEvent.blur(value));
    expect((now().loads[0] as { value: number }).value).toBeCloseTo(21.89, 2);
    change(screen.getByRole('combobox', { name: 'Case of load 1' }), 'Q');
    change(screen.getByRole('combobox', { name: 'Span of load 1' }), '1');
    expect(now().loads[0]).toMatchObject({ case: 'Q', span: 1 });
  });
  test('renaming a case takes its loads along; deleting it takes them away', () => {
    show();
    const name = screen.getByRole('textbox', { name: 'Name of load case Q' });
    change(name, 'LL');
    act(() => void fireEvent.blur(name));
    expect(now().cases[1]!.id).toBe('LL');
    expect(now().loads[1]!.case).toBe('LL');
  });
  test('a case that is deleted takes its loads with it, in one undo', () => {
    show();
    act(
      () => void fireEvent.click(within(screen.getByRole('table', { name: 'Load cases' })).getAllByRole('button', { name: 'Delete' })[0]!),
    );
    expect(now().loads.map((l) => l.case)).toEqual(['Q']);
    act(() => useProject.getState().undo());
    expect(now().loads).toHaveLength(2);
  });
  test('pasted rows are taken in one edit, the others named', () => {
    show();
    paste(screen.getByRole('table', { name: 'Loads' }), 'Q\tpoint\t2\t25\t1500\nQ\tflood\t1\t3\n');
    expect(now().loads).toHaveLength(3);
    expect(labels()).toEqual(['paste 1 loads of B1']);
    expect(screen.getByText('1 pasted rows were not taken:')).toBeTruthy();
    expect(screen.getByText(/"flood" is not a type of load/)).toBeTruthy();
  });
  test('self-weight can be left out', () => {
    show();
    act(() => void fireEvent.click(screen.getByRole('checkbox', { name: /Self-weight/ })));
    expect(now().selfWeight).toBe(false);
  });
});

describe('combinations', () => {
  const show = (member: Record<string, unknown> = {}) => {
    const project = open(member);
    render(<CombinationsPanel project={project} member={firstMember(project)} />);
  };
  test('those of the code with their factors', () => {
    show();
    expect((screen.getByRole('textbox', { name: 'Factor of G in U1' }) as HTMLInputElement).value).toBe('1.35');
    expect((screen.getByRole('textbox', { name: 'Factor of Q in P1' }) as HTMLInputElement).value).toBe('0.6');
  });
  test('a changed factor makes the combination the engineer’s own', () => {
    show();
    const factor = screen.getByRole('textbox', { name: 'Factor of Q in U1' });
    change(factor, '1,05');
    act(() => void fireEvent.blur(factor));
    expect(now().ownCombinations[0]).toMatchObject({ id: 'U1', isOwn: true });
    expect(now().ownCombinations[0]!.factors.find((f) => f.caseId === 'Q')!.factor).toBe(1.05);
  });
  test('text that is no factor changes nothing and is marked', () => {
    show();
    const factor = screen.getByRole('textbox', { name: 'Factor of Q in U1' });
    change(factor, 'lots');
    act(() => void fireEvent.blur(factor));
    expect(factor.getAttribute('aria-invalid')).toBe('true');
    expect(now().ownCombinations).toHaveLength(0);
  });
  test('a new one starts from the code’s own factors, under a name that is free', () => {
    const x = (id: string) => ({ id, title: 'own', kind: 'ultimate', factors: [{ caseId: 'G', factor: 1 }] });
    const project = projectOf({ ownCombinations: [x('X2')] }, { code: { id: 'aci318', variant: 'US' } });
    openWithResults(project);
    render(<CombinationsPanel project={project} member={firstMember(project)} />);
    const add = screen.getByRole('button', { name: 'Add a combination' });
    act(() => void fireEvent.click(add));
    act(() => void fireEvent.click(add));
    expect(now().ownCombinations.map((c) => c.id)).toEqual(['X2', 'X1', 'X3']);
    const factor = (caseId: string) => now().ownCombinations[1]!.factors.find((f) => f.caseId === caseId)!.factor;
    expect([factor('G'), factor('Q')]).toEqual([1.2, 1.6]);
  });
  test('switching off, and the loud word when none is left', () => {
    show({ combinationsOff: ['U1', 'U2'] });
    expect(screen.getByRole('alert').textContent).toContain('nothing is designed');
    act(() => void fireEvent.click(screen.getByRole('checkbox', { name: 'U1 on' })));
    expect(now().combinationsOff).toEqual(['U2']);
  });
});

describe('bars as a table', () => {
  const show = (member: Record<string, unknown> = {}) => {
    const project = open(member);
    render(<BarsPanel project={project} member={firstMember(project)} steel={designNow(project, firstMember(project)).steel!} />);
  };
  test('the automatic choice stands in grey; what is typed is set, emptied it is automatic again', () => {
    show();
    const field = screen.getByRole('textbox', { name: 'Bottom bars of span 1' }) as HTMLInputElement;
    expect(field.value).toBe('');
    expect(field.placeholder).toMatch(/^\d+H\d+$/);
    change(field, '3H25');
    act(() => void fireEvent.blur(field));
    expect(now().bars.bottom[0]!.main).toEqual({ count: 3, size: '25' });
  });
  test('an impossible size is refused at its field', () => {
    show();
    const field = screen.getByRole('textbox', { name: 'Top bars over B' });
    change(field, '3H23');
    act(() => void fireEvent.blur(field));
    expect(screen.getByText(/No such size; there are 6, 8, 10/)).toBeTruthy();
    expect(now().bars.support[1]!.bars).toBeNull();
  });
  test('bar ends are typed in any unit', () => {
    show();
    const left = screen.getByRole('textbox', { name: 'Bars over B, to the left' });
    change(left, '2.4 m');
    act(() => void fireEvent.blur(left));
    expect(now().bars.support[1]!.left).toBe(2400);
  });
  test('a zone of links is divided and gets its own spacing', () => {
    show({ bars: { links: [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 200 }] }, {}] } });
    act(() => void fireEvent.click(screen.getAllByRole('button', { name: 'Divide' })[0]!));
    expect(now().bars.links[0]!.zones!.map((z) => z.to)).toEqual([3000, 6000]);
  });
});

describe('basis', () => {
  const show = () => {
    const project = open();
    render(
      <BasisPanel
        project={project}
        member={firstMember(project)}
        result={designNow(project, firstMember(project))}
        faults={[{ path: 'cover.top', reason: 'A cover must lie between 5 and 300 mm.' }]}
      />,
    );
  };
  test('materials, cover and shape are edited; a fault stands at its field', () => {
    show();
    const fck = screen.getByRole('textbox', { name: 'Concrete fck' });
    change(fck, '40');
    act(() => void fireEvent.blur(fck));
    expect(now().materials.concreteStrength).toBe(40);
    change(screen.getByRole('combobox', { name: 'Section' }), 'T');
    expect(now().section.shape).toBe('T');
    expect(screen.getByText('A cover must lie between 5 and 300 mm.')).toBeTruthy();
  });
  test('spans are added like the last one and taken away with what stood on them', () => {
    show();
    change(screen.getByRole('spinbutton', { name: /Spans/ }), '4');
    expect(now().spans.map((s) => s.length)).toEqual([6000, 6000, 6000, 6000]);
    expect(now().supports).toHaveLength(5);
    expect(now().bars.bottom).toHaveLength(4);
    change(screen.getByRole('spinbutton', { name: /Spans/ }), '40');
    expect(now().spans).toHaveLength(4);
  });
  test('a span gets a depth of its own and loses it again', () => {
    show();
    const field = screen.getByRole('textbox', { name: 'h of span 2' });
    change(field, '600');
    act(() => void fireEvent.blur(field));
    expect(now().spans[1]!.section).toEqual({ h: 600 });
    expect(designNow(useProject.getState().project!, now()).faults).toEqual([]);
  });
  test('inputs for creep and shrinkage are kept within their range', () => {
    show();
    const field = screen.getByRole('textbox', { name: 'Relative humidity' });
    change(field, '80');
    act(() => void fireEvent.blur(field));
    expect(now().materials.timeDependent.humidity).toBeCloseTo(0.8, 9);
    change(field, '120');
    act(() => void fireEvent.blur(field));
    expect(screen.getByText('From 20 % to 100 %.')).toBeTruthy();
    expect(now().materials.timeDependent.humidity).toBeCloseTo(0.8, 9);
  });
  test('another catalogue gives bars back to the automatic choice', () => {
    show();
    change(screen.getByRole('combobox', { name: 'Catalogue' }), 'us');
    expect(now().catalogue).toBe('us');
    expect(now().bars.bottom.every((b) => b.main === null)).toBe(true);
  });
});

describe('other panels', () => {
  test('a support: type, width and redistribution', () => {
    const project = open();
    const target = document.createElement('span');
    document.body.append(target);
    render(<SupportEditor project={project} member={firstMember(project)} index={1} target={target} onClose={() => undefined} />);
    expect(screen.queryByRole('option', { name: 'free end' })).toBeNull();
    change(screen.getByRole('combobox', { name: 'Type' }), 'spring');
    expect(now().supports[1]!.type).toBe('spring');
    const kept = screen.getByRole('textbox', { name: 'Redistribution ratio δ' });
    change(kept, '85 %');
    act(() => void fireEvent.blur(kept));
    expect(now().supports[1]!.redistribution).toBeCloseTo(0.85, 12);
  });
  test('hand checks agree and reactions are listed', () => {
    const project = open();
    render(<HandChecks mark="B1" project={project} result={designNow(project, firstMember(project))} />);
    expect(screen.getAllByText('agrees')).toHaveLength(3);
    expect(within(screen.getByRole('table', { name: 'Reactions' })).getAllByRole('row')).toHaveLength(4);
  });
  test('known forces are pasted with a reading of each column; a refused row is mended, missing stations are told', () => {
    const project = open({ mode: 'forces', forces: [{ place: 'midspan', moment: 120, shear: 60 }] });
    render(
      <ForcesPanel
        project={project}
        member={firstMember(project)}
        result={designNow(project, firstMember(project))}
        onEdit={() => undefined}
        editing={null}
      />,
    );
    paste(
      screen.getByRole('table', { name: 'Design forces' }),
      'x (m)\tcomb\tM\tV\tN\n0.4\tC4\t-80\t95\t-12\n3.2\tC4\t70\t5\t-12\n0.4\tC5\tn/a\t1\t-3\n',
    );
    expect(screen.getByRole('status').textContent).toContain('2 rows understood, 1 refused');
    expect(screen.getByText(/M: "n\/a" is not a number/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Row 3, M'), { target: { value: '-60' } });
    expect(screen.getByText(/Combination C5 has 1 stations, the others have 2/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Keep 3 rows' }));
    expect(now().forces).toHaveLength(4);
    // Most of the axial forces are negative, so compression was taken to be written with a minus.
    expect(now().forces[1]).toEqual({ place: '0.40 m', combination: 'C4', moment: -80e6, shear: 95_000, torsion: 0, axial: 12_000 });
  });
  test('bars that are all given answer what the section carries, without forces', () => {
    const project = open({
      mode: 'forces',
      forces: [],
      bars: {
        bottom: [{ main: { count: 4, size: '20' } }],
        top: [{ main: { count: 2, size: '16' } }],
        links: [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 200 }] }],
      },
    });
    render(
      <ForcesPanel
        project={project}
        member={firstMember(project)}
        result={designNow(project, firstMember(project)) as BeamResult}
        onEdit={() => undefined}
        editing={null}
      />,
    );
    expect(screen.getByRole('region', { name: 'What the section carries' }).textContent).toMatch(/M, bottom stretched197\.3 kNm/);
  });
  test('the list of members shows how each stands and which needs work', () => {
    const weak = { main: { count: 2, size: '12' }, extra: { bars: { count: 0, size: '12' } } };
    const project = open({ bars: { bottom: [weak, weak] } });
    render(<MemberList project={project} activeId="a" onAdd={() => undefined} />);
    expect(screen.getByText('1 · 1 need work')).toBeTruthy();
    expect(screen.getByRole('link', { current: 'page' }).getAttribute('href')).toBe('/beam?p=p&m=a');
  });
  test('a member without a current result is being worked out, and one without any is open', () => {
    const project = open();
    const member = firstMember(project);
    const entry = useProject.getState().results.a;
    expect(memberStanding(project, member, entry).standing).not.toBe('working');
    expect(memberStanding(project, { ...member }, entry).standing).toBe('working');
    expect(memberStanding(project, member, undefined)).toEqual({ standing: 'open', utilisation: null });
  });
  test.each([
    [{ id: 'en1992', variant: 'uk' }, 'SI'],
    [{ id: 'aci318', variant: 'US' }, 'US'],
  ] as const)('a new beam to %j holds from the start', (code, display) => {
    const project = projectOf({}, { code, display, members: [] });
    for (const mode of ['beam', 'forces']) {
      const beam = newMember(project, mode, 'x', 'B9', 'Hall');
      const result = designNow(project, beam);
      expect(result.faults).toEqual([]);
      expect(result.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed').map((c) => c.title)).toEqual([]);
    }
  });
});
