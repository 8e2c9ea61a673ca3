/** All styles of hers: searched, sorted, one looked at, two held against each other. */

import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createPaginatedRowModel,
  createSortedRowModel,
  filterFns,
  globalFilteringFeature,
  rowPaginationFeature,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useDeferredValue, useMemo, useState } from 'react';
import { duration } from '../../../core/trade/index.ts';
import type { StyleLine } from '../../../model/logged.ts';
import { day, money } from '../../ui/format.ts';
import { useLogView } from './log-view.ts';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowPaginationFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  paginatedRowModel: createPaginatedRowModel(),
  filterFns,
  sortFns,
});
const column = createColumnHelper<typeof features, StyleLine>();

/** Columns that the search looks through: words, and the day as it is told. */
const columnsIn = (currency: string) =>
  column.columns([
    column.accessor((s) => `${s.name} ${day(s.atMs)} ${s.line}`, {
      id: 'style',
      header: 'style',
      enableSorting: false,
    }),
    column.accessor('atMs', { header: 'hooked', cell: (c) => day(c.getValue()), enableGlobalFilter: false }),
    column.accessor('days', { header: 'days worn', enableGlobalFilter: false }),
    column.accessor('pieces', { header: 'pieces', enableGlobalFilter: false }),
    column.accessor((s) => s.secondsAKnot ?? -1, {
      id: 'seconds',
      header: 's a knot',
      cell: (c) => (c.getValue() < 0 ? '–' : Math.round(c.getValue())),
      enableGlobalFilter: false,
    }),
    column.accessor((s) => s.leftOver ?? -1, {
      id: 'left',
      header: 'left over',
      cell: (c) => (c.getValue() < 0 ? '–' : c.getValue()),
      enableGlobalFilter: false,
    }),
    column.accessor('minutes', { header: 'hours', cell: (c) => duration(c.getValue()), enableGlobalFilter: false }),
    column.accessor((s) => s.costADay ?? -1, {
      id: 'cost',
      header: 'a day',
      cell: (c) => (c.getValue() < 0 ? '–' : money(Math.round(100 * c.getValue()) / 100, currency)),
      enableGlobalFilter: false,
    }),
  ]);

/** So many at once: a longer log is opened as quickly as a short one. */
const PAGE = 25;

const ARIA_SORT = { asc: 'ascending', desc: 'descending' } as const;

export function StyleTable({ lines, currency }: { readonly lines: readonly StyleLine[]; readonly currency: string }) {
  const [search, setSearch] = useState('');
  const globalFilter = useDeferredValue(search);
  const [shown, setShown] = useState(PAGE);
  const columns = useMemo(() => columnsIn(currency), [currency]);
  const data = useMemo(() => [...lines], [lines]);
  const table = useTable({
    features,
    columns,
    data,
    state: { globalFilter, pagination: { pageIndex: 0, pageSize: shown } },
    globalFilterFn: 'includesString',
    initialState: { sorting: [{ id: 'atMs', desc: true }] },
  });
  const rows = table.getRowModel().rows;
  const found = table.getFilteredRowModel().rows.length;
  return (
    <>
      <label className="log-search">
        <span className="sr-only">Search styles, days and notes</span>
        <input
          type="search"
          className="entry"
          placeholder="Search styles, days and notes"
          value={search}
          data-testid="log-search"
          onChange={(e) => setSearch(e.target.value)}
        />
      </label>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls */}
      <section className="log-table" aria-label="All styles" tabIndex={0}>
        <table>
          <caption className="sr-only" aria-live="polite">
            {found} of {lines.length} styles
          </caption>
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const sorted = header.column.getIsSorted();
                  return (
                    <th key={header.id} scope="col" aria-sort={sorted ? ARIA_SORT[sorted] : undefined}>
                      {header.column.getCanSort() ? (
                        <button
                          type="button"
                          className="edge"
                          onClick={header.column.getToggleSortingHandler()}
                          data-testid={`sort-${header.id}`}
                        >
                          <table.FlexRender header={header} />
                          <span aria-hidden="true" className="whitespace-pre">
                            {sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}
                          </span>
                        </button>
                      ) : (
                        <table.FlexRender header={header} />
                      )}
                    </th>
                  );
                })}
                <th scope="col">side by side</th>
              </tr>
            ))}
          </thead>
          <tbody>
            {rows.map((row) => (
              <Line key={row.original.id} line={row.original}>
                {row
                  .getAllCells()
                  .slice(1)
                  .map((cell) => (
                    <td key={cell.id}>
                      <table.FlexRender cell={cell} />
                    </td>
                  ))}
              </Line>
            ))}
          </tbody>
        </table>
        {found > rows.length && (
          <button
            type="button"
            className="word mt-2"
            onClick={() => setShown(shown + 4 * PAGE)}
            data-testid="more-styles"
          >
            {found - rows.length} more
          </button>
        )}
        {rows.length === 0 && <p className="mt-3">Nothing in your log speaks of “{globalFilter}”.</p>}
      </section>
    </>
  );
}

function Line({ line, children }: { readonly line: StyleLine; readonly children: React.ReactNode }) {
  const { chosen, pair, choose, togglePair } = useLogView();
  return (
    <tr data-style={line.id} data-chosen={chosen === line.id ? 'yes' : 'no'}>
      <th scope="row">
        <button
          type="button"
          className="style-name"
          aria-current={chosen === line.id ? 'true' : undefined}
          onClick={() => choose(line.id)}
        >
          <b>{line.name}</b>
          <span className="note block truncate">{line.isWornStill ? 'worn now' : line.line}</span>
        </button>
      </th>
      {children}
      <td>
        <input
          type="checkbox"
          className="tickbox"
          aria-label={`Hold ${line.name} of ${day(line.atMs)} against another`}
          checked={pair.includes(line.id)}
          onChange={() => togglePair(line.id)}
        />
      </td>
    </tr>
  );
}
