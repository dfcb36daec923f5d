<script lang="ts" generics="T">
  import type { Snippet } from 'svelte';
  import { Attempt } from '../attempt.svelte';
  import { count } from '../format';
  import Trouble from '../ui/Trouble.svelte';
  import { arranged, direction, type ListColumn } from './arrange';
  import { Listed } from './listed.svelte';
  import SortHead from './SortHead.svelte';
  import ListTools from './ListTools.svelte';

  /**
   * Rows under heads that sort, with columns that can be chosen and widened, words to narrow by, and a file of what is seen.
   * How it is arranged stands in the address, so that it can be sent, and is kept in this browser.
   */
  let {
    name,
    rows,
    columns,
    of,
    cells = {},
    act,
    unit = 'row',
    units = `${unit}s`,
    part = false,
    whole,
  }: {
    name: string;
    rows: readonly T[];
    columns: readonly ListColumn<T>[];
    /** What tells a row from the others. */
    of: (row: T) => string | number;
    /** What stands in the cells of a column, by its key; by itself the value. */
    cells?: Record<string, Snippet<[T]>>;
    /** What can be done with a row. */
    act?: Snippet<[T]>;
    unit?: string;
    units?: string;
    /** One of several on its page, where a short one is no more than its rows. */
    part?: boolean;
    /** Where the rows are not all there are: all of them, for a file. */
    whole?: () => Promise<readonly T[]>;
  } = $props();

  const NARROWED_FROM = 12;
  const STEP = 300;
  /** What a column takes on a narrow screen, which scrolls sideways sooner than it cuts words. */
  const LEAST_READ = 96;

  // svelte-ignore state_referenced_locally
  const listed = new Listed(name, columns, part);
  let shown = $state(STEP);
  let drag: { key: string; from: number; width: number } | undefined;
  const heads = $state<Record<string, HTMLElement>>({});

  const seen = $derived(arranged(rows, columns, listed.arrangement));
  const isLong = $derived(rows.length >= NARROWED_FROM || listed.arrangement.words !== '');
  const widths = $derived(listed.widths);
  const width = (key: string) => heads[key]?.offsetWidth;

  const fetching = new Attempt();
  const take = () =>
    whole
      ? void fetching.run(async () => listed.take(arranged(await whole(), columns, listed.arrangement)))
      : listed.take(seen);

  function key(event: KeyboardEvent, column: string) {
    const step = event.key === 'ArrowRight' ? 16 : event.key === 'ArrowLeft' ? -16 : 0;
    if (event.shiftKey && step !== 0) {
      event.preventDefault();
      listed.widen(column, (width(column) ?? 0) + step, width);
    }
  }

  function grasp(event: PointerEvent & { currentTarget: Element }, column: string) {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag = { key: column, from: event.clientX, width: width(column) ?? 0 };
  }

  function pull(event: PointerEvent) {
    if (drag) {
      listed.widen(drag.key, drag.width + event.clientX - drag.from, width);
    }
  }
</script>

{#if !part || isLong}
  <ListTools {listed} ontake={take}>
    {#if isLong}
      <input
        class="field w-56"
        type="search"
        aria-label="Only {units} with"
        placeholder="Only {units} with …"
        value={listed.arrangement.words}
        oninput={(e) => listed.narrow(e.currentTarget.value)}
      />
    {/if}
    {#if fetching.busy}
      <span role="status" class="text-faint">All {units} are being fetched …</span>
    {:else if seen.length < rows.length}
      <span role="status" class="text-faint">{seen.length} of {count(rows.length, unit, units)}</span>
    {/if}
  </ListTools>
  <Trouble error={fetching.error} />
{/if}
<div class="relative -mx-1 overflow-x-auto px-1">
  <table
    class="text-sm {widths ? 'table-fixed' : 'w-full'}"
    style:min-width={widths ? undefined : `${listed.columns.length * LEAST_READ}px`}
  >
    <thead>
      <tr class="border-b border-line align-bottom">
        {#each listed.columns as column (column.key)}
          <th
            class="group relative py-2 pr-4 text-left"
            scope="col"
            aria-sort={direction(listed.arrangement.sort, column.key)}
            bind:this={heads[column.key]}
            style:width={widths ? `${widths[column.key]}px` : undefined}
          >
            <SortHead
              {listed}
              column={column.key}
              title={column.title}
              onkeydown={(e) => key(e, column.key)}
            />
            <span
              aria-hidden="true"
              class="absolute top-1 right-1 bottom-1 w-2 cursor-col-resize touch-none border-r border-transparent group-hover:border-line print:hidden"
              onpointerdown={(e) => grasp(e, column.key)}
              onpointermove={pull}
              onpointerup={() => (drag = undefined)}
            ></span>
          </th>
        {/each}
        {#if act}<th class="py-2" scope="col"><span class="sr-only">Act</span></th>{/if}
      </tr>
    </thead>
    <tbody>
      {#each seen.slice(0, shown) as row (of(row))}
        <tr class="border-b border-line/60 align-top hover:bg-raised">
          {#each listed.columns as column (column.key)}
            {@const cell = cells[column.key]}
            <td class="py-2 pr-4 {widths ? 'break-words' : ''}"
              >{#if cell}{@render cell(row)}{:else}{column.text?.(row) ?? column.value(row) ?? ''}{/if}</td
            >
          {/each}
          {#if act}<td class="py-2 text-right whitespace-nowrap">{@render act(row)}</td>{/if}
        </tr>
      {:else}
        <tr
          ><td class="py-3 text-faint" colspan={listed.columns.length + (act ? 1 : 0)}
            >None of the {units} has these words.</td
          ></tr
        >
      {/each}
    </tbody>
  </table>
</div>
{#if seen.length > shown}
  <button class="act mt-3" onclick={() => (shown += STEP)}
    >{count(Math.min(STEP, seen.length - shown), `more ${unit}`, `more ${units}`)} of {seen.length.toLocaleString(
      'en-GB',
    )}</button
  >
{/if}
