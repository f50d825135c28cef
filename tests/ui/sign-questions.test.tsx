import { fireEvent, render, screen } from '@testing-library/react';
import { AxialQuestion, MomentQuestion } from '@/ui/tables/SignQuestion';

describe('what a sign of a table means', () => {
  // A figure of 12 without a minus sags as long as sagging is positive; with a minus, in either spelling, it hogs.
  test.each([
    ['12', false, 'stretches the bottom'],
    ['12', true, 'stretches the top'],
    ['-12', false, 'stretches the top'],
    ['−12', false, 'stretches the top'],
    [' −12', true, 'stretches the bottom'],
  ])('a moment of "%s" where sagging is negative: %s', (text, saggingNegative, words) => {
    const onPick = jest.fn();
    render(<MomentQuestion figure={{ row: 0, text }} {...{ saggingNegative, onPick }} />);
    expect(screen.getByRole('radio', { checked: true }).textContent).toBe(words);
    // What is picked already changes nothing, the other turns the sign.
    screen.getAllByRole('radio').forEach((answer) => fireEvent.click(answer));
    const bottomIsPicked = words === 'stretches the bottom';
    expect(onPick.mock.calls).toEqual(bottomIsPicked ? [[saggingNegative], [!saggingNegative]] : [[!saggingNegative], [saggingNegative]]);
  });
  test.each(['-820', '−820'])('a force of "%s" presses where compression is negative', (text) => {
    const onPick = jest.fn();
    render(<AxialQuestion figure={{ row: 2, text }} value={undefined} onPick={onPick} />);
    expect(screen.queryByRole('radio', { checked: true })).toBeNull();
    fireEvent.click(screen.getByRole('radio', { name: 'presses' }));
    expect(onPick).toHaveBeenCalledWith(true);
  });
  test('without a figure nothing is asked', () => {
    const { container } = render(<MomentQuestion figure={undefined} saggingNegative={false} onPick={jest.fn()} />);
    expect(container.innerHTML).toBe('');
  });
});
