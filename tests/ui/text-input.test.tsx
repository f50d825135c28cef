import { fireEvent, render, screen } from '@testing-library/react';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { TextInput } from '@/ui/fields/TextInput';

const field = () => screen.getByRole<HTMLInputElement>('textbox');
const type = (text: string, key = 'Enter') => {
  fireEvent.change(field(), { target: { value: text } });
  fireEvent.keyDown(field(), { key });
};

describe('a field for a text', () => {
  const refuse = (text: string) => (text.length > 5 ? 'must have at most 5 characters' : null);

  test('what is refused stays in the field with its reason; what is shorter is kept and the reason goes', () => {
    const keep = jest.fn(refuse);
    const { rerender } = render(<TextInput label="Mark" value="B1" onKeep={keep} />);
    type('B1 long');
    expect(field().value).toBe('B1 long');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toBe('must have at most 5 characters');
    type('B12');
    expect(keep).toHaveBeenLastCalledWith('B12');
    expect(screen.queryByRole('alert')).toBeNull();
    rerender(<TextInput label="Mark" value="B12" onKeep={keep} />);
    expect(field().value).toBe('B12');
  });
  test('Escape gives the text back, and the same text is no change', () => {
    const keep = jest.fn(refuse);
    render(<TextInput label="Mark" value="B1" onKeep={keep} />);
    type('B1 long', 'Escape');
    expect(field().value).toBe('B1');
    type('B1');
    expect(keep).not.toHaveBeenCalled();
  });
});

test('a number that the file does not take stays in its field with the reason', () => {
  render(<QuantityInput kind="number" system="SI" value={1} label="Age" onKeep={(v) => (v! > 9 ? 'must be at most 9' : null)} />);
  type('12');
  expect(field().value).toBe('12');
  expect(screen.getByText('must be at most 9')).toBeTruthy();
  type('8');
  expect(screen.queryByText('must be at most 9')).toBeNull();
});
