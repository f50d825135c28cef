'use client';
import type { UnitSystem } from '@/core/units/quantity';
import type { Table } from '@/exchange/tables/table-rows';
import { BlockTable } from '@/ui/paper/Blocks';
import { TableFiles } from './TableFiles';

interface TitledTableProps {
  readonly block: Table;
  readonly units: UnitSystem;
  /** Of the member whose table it is: files are named by it. */
  readonly mark: string;
}

/** A table that is only read, with its title and the way to a spreadsheet. */
export function TitledTable({ block, units, mark }: TitledTableProps) {
  return (
    <section className="mt-3">
      <div className="flex items-baseline gap-3">
        <h2>{block.title}</h2>
        <TableFiles name={`${mark} ${block.title}`} units={units} tables={() => [block]} />
      </div>
      <BlockTable block={block} units={units} />
    </section>
  );
}
