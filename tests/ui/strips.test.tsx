import { fireEvent, render, screen } from '@testing-library/react';
import { emptyModel } from '@/core/model/member-model';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { SectionPanel } from '@/features/beam/SectionPanel';
import { Strips } from '@/features/beam/Strips';
import { firstMember, projectOf, stubBrowser } from './fixtures';

beforeAll(stubBrowser);

const project = projectOf();
const member = firstMember(project);
const result = designNow(project, member);
const model = modelOf(project, member, result);

function show(station = 3000, shows: 'strength' | 'service' = 'strength') {
  const onStation = jest.fn();
  const onEdit = jest.fn();
  const view = render(
    <Strips
      project={project}
      member={member}
      result={result}
      model={model}
      width={748}
      scale={1}
      station={station}
      onStation={onStation}
      onEdit={onEdit}
      editing={null}
      room={400}
      shows={shows}
    />,
  );
  return { ...view, onStation, onEdit, slider: screen.getByRole('slider', { name: 'Station along the beam' }) };
}

describe('the strips', () => {
  test('elevation, bending, shear and steel share one axis', () => {
    const { container } = show();
    expect([...container.querySelectorAll('[data-strip]')].map((el) => el.getAttribute('data-strip'))).toEqual([
      'Elevation',
      'Bending',
      'Shear',
      'Steel',
    ]);
  });
  test.each([
    ['ArrowRight', {}, 3100],
    ['ArrowLeft', {}, 2900],
    ['ArrowRight', { shiftKey: true }, 4000],
    ['Home', {}, 0],
    ['End', {}, 12_000],
  ])('%s %j moves the station line to %d mm', (key, modifier, to) => {
    const { slider, onStation } = show();
    fireEvent.keyDown(slider, { key, ...modifier });
    expect(onStation).toHaveBeenCalledWith(to);
  });
  test('Page keys go to the next and last place where a check governs', () => {
    const { slider, onStation } = show(3000);
    const places = result.checks.flatMap((c) => (c.place.x !== null && c.utilisation !== null ? [c.place.x] : []));
    fireEvent.keyDown(slider, { key: 'PageDown' });
    expect(onStation).toHaveBeenLastCalledWith(Math.min(...places.filter((x) => x > 3001)));
    fireEvent.keyDown(slider, { key: 'PageUp' });
    expect(onStation).toHaveBeenLastCalledWith(Math.max(...places.filter((x) => x < 2999)));
  });
  test('the line never leaves the beam', () => {
    const { slider, onStation } = show(11_950);
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    expect(onStation).toHaveBeenCalledWith(12_000);
  });
  test('where it stands it says demand against resistance, and steel', () => {
    const { container } = show(3000);
    expect(container.textContent).toMatch(/\d+ against \d+/);
    expect(container.textContent).toMatch(/needs [\d\u202f]+, has [\d\u202f]+/);
  });
  // Span over 250 of spans of 6 m, wherever the line stands and however little is drawn on that side.
  test.each([100, 3000, 5950, 6050, 11_900])('in service it says a deflection of its limit, at %d mm', (station) => {
    const { container } = show(station, 'service');
    expect(container.textContent).toMatch(/\d of 24\.0 mm/);
    expect(container.textContent).toMatch(/\d of 0\.300 mm/);
  });
  test('a value of the elevation opens its editor', () => {
    const { onEdit } = show();
    fireEvent.click(screen.getByRole('button', { name: /Length of span 2/ }));
    expect(onEdit).toHaveBeenCalledWith({ of: 'spanLength', span: 1 }, expect.anything());
  });
  test('without a result the drawing is there all the same', () => {
    render(
      <Strips
        project={project}
        member={member}
        result={{ ...result, strips: null, steel: null }}
        model={emptyModel}
        width={748}
        scale={1}
        station={0}
        onStation={() => undefined}
        onEdit={() => undefined}
        editing={null}
        room={400}
        shows="strength"
      />,
    );
    expect(screen.getByRole('group', { name: /Elevation/ })).toBeTruthy();
  });
});

describe('the section at the station', () => {
  const at = (station: number) =>
    render(
      <SectionPanel
        project={project}
        member={member}
        result={result}
        model={model}
        station={station}
        onEdit={() => undefined}
        editing={null}
      />,
    );
  test('over a support it hogs, in midspan it sags', () => {
    expect(at(6000).container.textContent).toContain('support B · hogging');
    expect(at(2600).container.textContent).toContain('span 1 · sagging');
  });
  test('neutral axis and lever arm have words of their own', () => {
    at(2600);
    expect(screen.getByRole('img', { name: /Neutral axis at \d+ mm, lever arm \d+ mm/ })).toBeTruthy();
  });
  test('its bars are those of the place', () => {
    const support = at(6000);
    const label = result.steel!.support[1]!.bars;
    expect(support.container.textContent).toContain(`${label.count}H${label.size}`);
  });
});
