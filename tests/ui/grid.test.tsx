import { act, fireEvent, render, screen } from '@testing-library/react';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';

interface Row {
  readonly name: string;
  readonly load: number;
}

function show(count: number) {
  const rows = Array.from({ length: count }, (_, i): Row => ({ name: `r${i}`, load: 1000 * i }));
  const set = jest.fn();
  const of = columnsFor<Row>('SI', (r) => r.name, set);
  render(
    <Grid
      label="Rows"
      rows={rows}
      columns={[of.text('Name', 'name'), of.quantity('Force', 'force', 'load')]}
      faultsOf={(i) => (i === 1 ? [{ path: 'rows[1]', reason: 'This row is wrong.' }] : [])}
      remove={{ title: 'Delete', run: set }}
      add={{ title: 'Add a row', run: () => set('added') }}
    />,
  );
  return { set, table: screen.getByRole('table', { name: 'Rows' }) };
}

describe('the grid of typed rows', () => {
  test('cells are named by their heading and row, take units, and say their faults below the row', () => {
    const { set } = show(3);
    const force = screen.getByRole('textbox', { name: 'Force of r1' });
    act(() => void fireEvent.change(force, { target: { value: '2 kN' } }));
    act(() => void fireEvent.blur(force));
    expect(set).toHaveBeenCalledWith(1, { load: 2000 });
    expect(screen.getByText('This row is wrong.')).toBeTruthy();
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'Add a row' })));
    expect(set).toHaveBeenLastCalledWith('added');
    act(() => void fireEvent.click(screen.getAllByRole('button', { name: 'Delete' })[2]!));
    expect(set).toHaveBeenLastCalledWith(2);
  });

  test('of thousands of rows only those in sight are drawn, and the rest as they are scrolled to', () => {
    const { table } = show(5000);
    expect(table.querySelectorAll('tbody tr').length).toBeLessThan(60);
    expect(table.getAttribute('aria-rowcount')).toBe('5001');
    expect(screen.queryByRole('textbox', { name: 'Force of r2500' })).toBeNull();
    const box = table.parentElement!;
    box.scrollTop = 2500 * 27;
    act(() => void fireEvent.scroll(box));
    expect(screen.getByRole('textbox', { name: 'Force of r2500' })).toBeTruthy();
  });

  test('copying with nothing marked takes the whole table, with units; a marked text is copied as ever', () => {
    const { table } = show(2);
    const setData = jest.fn();
    fireEvent.copy(table, { clipboardData: { setData } });
    expect(setData).toHaveBeenCalledWith('text/plain', 'Name\tForce\nr0\t0 kN\nr1\t1 kN');
    const name = screen.getByRole('textbox', { name: 'Name of r0' }) as HTMLInputElement;
    name.setSelectionRange(0, 2);
    setData.mockClear();
    fireEvent.copy(name, { clipboardData: { setData } });
    expect(setData).not.toHaveBeenCalled();
  });
});
