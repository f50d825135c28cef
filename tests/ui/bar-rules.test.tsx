import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRouter } from 'next/navigation';
import { BarRulesFields } from '@/features/beam/BarRulesFields';
import { BasisPanel } from '@/features/beam/BasisPanel';
import { modelOf } from '@/core/project/as-built';
import { CagePanel } from '@/features/beam/CagePanel';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import { useProject } from '@/store/project-store';
import { firstMember, openWithResults, projectOf, stubBrowser } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn() }));
beforeAll(stubBrowser);
beforeEach(() => (useRouter as jest.Mock).mockReturnValue({ push: jest.fn() }));

const current = () => useProject.getState().project!;
const now = () => firstMember(current());
const open = (member: Record<string, unknown> = {}, rest: Record<string, unknown> = {}) => {
  const project = projectOf(member, rest);
  openWithResults(project);
  return project;
};
const type = (name: string, value: string) => {
  const field = screen.getByRole('textbox', { name });
  act(() => void fireEvent.change(field, { target: { value } }));
  act(() => void fireEvent.blur(field));
};

describe('rules for bars', () => {
  const show = () => render(<BarRulesFields project={current()} member={now()} />);
  it('lists are read loosely, and what cannot be meant is left out', () => {
    open();
    show();
    type('Main sizes allowed', '16; 20, 21');
    expect(now().barRules.mainSizes).toEqual(['16', '20']);
    type('Legs allowed', '4, 2 1 x');
    expect(now().barRules.legs).toEqual([2, 4]);
    type('Link spacings allowed, mm', '200 100, 0.15 m soon');
    expect(now().barRules.spacings).toEqual([100, 150, 200]);
  });
  it('numbers of bars are kept within sense; an empty field leaves them open', () => {
    open();
    const { rerender } = show();
    type('Fewest bars of a group', '3');
    expect(now().barRules.leastBars).toBe(3);
    type('Maximum bars of a group', '1');
    expect(now().barRules.mostBars).toBeNull();
    expect(screen.getByText('From 2 to 60.')).toBeTruthy();
    rerender(<BarRulesFields project={current()} member={now()} />);
    expect(screen.getByRole('textbox', { name: 'Fewest bars of a group' })).toHaveProperty('value', '3');
  });
  it('another catalogue lets go of sizes of the old one', () => {
    open({ barRules: { mainSizes: ['16'], spacings: [100] } });
    show();
    act(() => void fireEvent.change(screen.getByLabelText('Catalogue'), { target: { value: 'us' } }));
    expect(now().catalogue).toBe('us');
    expect(now().barRules).toMatchObject({ mainSizes: [], spacings: [] });
  });
});

describe('the basis of a beam', () => {
  const show = () => {
    const result = designNow(current(), now()) as BeamResult;
    return render(<BasisPanel project={current()} member={now()} result={result} faults={result.faults} />);
  };
  it('offers the frame classes of its code, and still shows one of another', () => {
    open({ frame: 'special' });
    show();
    const options = [...screen.getByLabelText<HTMLSelectElement>('Ductile frame').options].map((o) => o.value);
    expect(options).toEqual(['none', 'medium', 'special']);
    act(() => void fireEvent.change(screen.getByLabelText('Ductile frame'), { target: { value: 'medium' } }));
    expect(now().frame).toBe('medium');
  });
  it('a fault of the class stands there in words', () => {
    open({ frame: 'medium', materials: { ductility: 'A' } });
    show();
    expect(screen.getByText(/needs steel of class B or C/)).toBeTruthy();
  });
  it('any outline begins with the corners of the section, and goes back to its size', () => {
    open({ section: { shape: 'T', b: 300, h: 500, flangeWidth: 900, flangeDepth: 120 } });
    const { rerender } = show();
    const pick = (value: string) => act(() => void fireEvent.change(screen.getByLabelText('Section'), { target: { value } }));
    pick('free');
    expect(now().section).toMatchObject({ shape: 'free', b: 300, h: 500 });
    expect(now().section.points).toHaveLength(8);
    const result = designNow(current(), now()) as BeamResult;
    rerender(<BasisPanel project={current()} member={now()} result={result} faults={[]} />);
    const corners = screen.getByLabelText('Corners of the outline');
    act(() => void fireEvent.change(corners, { target: { value: '-150 0\n150 0\n150 600\n\n-150 600' } }));
    act(() => void fireEvent.blur(corners));
    expect(screen.getByText(/has no holes/)).toBeTruthy();
    pick('rectangular');
    expect(now().section).toMatchObject({ shape: 'rectangular', b: 300, h: 500 });
    expect(now().section.points).toBeUndefined();
  });
});

describe('the cage', () => {
  it('shows a stretch around the station, more or less of it, and turns by the arrow keys', () => {
    const project = open();
    const result = designNow(project, now()) as BeamResult;
    render(<CagePanel project={project} member={now()} model={modelOf(project, now(), result)} station={6000} />);
    const count = () => document.querySelectorAll('svg path').length;
    const around = count();
    act(() => void fireEvent.change(screen.getByLabelText('How much of the beam'), { target: { value: 'near' } }));
    expect(count()).toBeLessThan(around);
    act(() => void fireEvent.change(screen.getByLabelText('How much of the beam'), { target: { value: 'whole' } }));
    expect(count()).toBeGreaterThan(around);
    const cage = screen.getByRole('application', { name: /^Cage/ });
    const before = cage.innerHTML;
    act(() => void fireEvent.keyDown(cage, { key: 'ArrowLeft' }));
    expect(cage.innerHTML).not.toBe(before);
    act(() => void fireEvent.keyDown(cage, { key: 'ArrowRight' }));
    expect(cage.innerHTML).toBe(before);
  });
});
