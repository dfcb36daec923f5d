<script lang="ts">
  import { DAY, DAYS, letter, perDay, texture, time, type Run } from '../week';
  import { runsOf, type WeekDraft } from './week-draft.svelte';
  import { isLevel } from './week-text';

  /**
   * Drag paints, the keyboard does too, and the text beside stays in step. Levels are sensitivities, drawn as high as
   * they are; otherwise the values are what starts recording.
   */
  let {
    draft,
    inherited = [],
    label = 'Week',
    levels = false,
  }: { draft: WeekDraft; inherited?: Run[]; label?: string; levels?: boolean } = $props();

  const STEP = 15;
  const TRIGGERS = ['continuous', 'motion', 'alarm', 'analytics', 'motion+alarm', 'none'];
  // svelte-ignore state_referenced_locally
  let value = $state<string>(levels ? 'level' : 'continuous');
  let level = $state('50');
  let cursor = $state({ day: 0, from: 480, to: 480 + STEP });
  let dragging = $state(false);
  let said = $state('');
  let wrong = $state('');
  let exact = $state({ from: '06:00', to: '18:30', days: [0, 1, 2, 3, 4] });
  let copyFrom = $state(0);

  const own = $derived(perDay(runsOf(draft.minutes)));
  const above = $derived(perDay(inherited as Run[]));
  const share = (minutes: number) => `${(minutes / DAY) * 100}%`;
  const brush = $derived(value === 'erase' ? undefined : value === 'level' ? level : value);
  const rows = $derived(draft.span.rows);
  const oneDay = $derived(rows.length === 1);
  const brushes = $derived([...(levels ? ['level'] : TRIGGERS), ...(oneDay ? [] : ['erase'])]);

  function minuteAt(event: PointerEvent): number {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const step = event.altKey ? 1 : STEP;
    const minute = ((event.clientX - box.left) / box.width) * DAY;
    return Math.min(DAY, Math.max(0, Math.round(minute / step) * step));
  }

  function start(event: PointerEvent, day: number) {
    if (event.button !== 0) {
      return;
    }
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    const at = minuteAt(event);
    dragging = true;
    cursor = { day, from: Math.min(at, DAY - STEP), to: Math.min(at, DAY - STEP) };
  }

  function move(event: PointerEvent) {
    if (dragging) {
      cursor = { ...cursor, to: minuteAt(event) };
    }
  }

  function end() {
    if (!dragging) {
      return;
    }
    dragging = false;
    const from = Math.min(cursor.from, cursor.to);
    const to = Math.max(cursor.from, cursor.to, from + STEP);
    cursor = { day: cursor.day, from, to };
    apply([cursor.day], from, to, brush);
  }

  function apply(days: number[], from: number, to: number, what: string | undefined) {
    if (levels && what !== undefined && !isLevel(what)) {
      said = wrong = `"${what}" is not a sensitivity; expected 0 to 100`;
      return;
    }
    wrong = '';
    draft.paint(days, from, to, what);
    said = `${days.map((d) => rows[d]).join(', ')} ${time(from)} to ${time(to)} ${what ?? 'erased'}`;
  }

  function key(event: KeyboardEvent) {
    const { day, from, to } = cursor;
    const step = event.altKey ? 1 : STEP;
    const moves: Record<string, () => void> = {
      ArrowRight: () =>
        (cursor = event.shiftKey
          ? { day, from, to: Math.min(DAY, to + step) }
          : { day, from: Math.min(DAY - step, from + step), to: Math.min(DAY, to + step) }),
      ArrowLeft: () =>
        (cursor = event.shiftKey
          ? { day, from, to: Math.max(from + step, to - step) }
          : { day, from: Math.max(0, from - step), to: Math.max(step, to - step) }),
      ArrowDown: () => (cursor = { day: (day + 1) % rows.length, from, to }),
      ArrowUp: () => (cursor = { day: (day + rows.length - 1) % rows.length, from, to }),
      Home: () => (cursor = { day, from: 0, to: to - from }),
      End: () => (cursor = { day, from, to: DAY }),
      Enter: () => apply([day], from, to, brush),
      ' ': () => apply([day], from, to, brush),
      ...(oneDay
        ? {}
        : {
            Delete: () => apply([day], from, to, undefined),
            Backspace: () => apply([day], from, to, undefined),
          }),
    };
    const undo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
    const act = undo ? () => (event.shiftKey ? draft.redo() : draft.undo()) : moves[event.key];
    if (act) {
      event.preventDefault();
      act();
      if (event.key.startsWith('Arrow') || event.key === 'Home' || event.key === 'End') {
        said = `${rows[cursor.day]} ${time(cursor.from)} to ${time(cursor.to)}`;
      }
    }
  }

  function paintExact() {
    const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5));
    const [from, to] = [minutes(exact.from), minutes(exact.to)];
    const fits = /^\d\d:\d\d$/.test(exact.from) && /^\d\d:\d\d$/.test(exact.to);
    if (!fits || from >= DAY || to > DAY || from === to) {
      said = wrong = 'expected two different times such as 06:00 and 18:30; 24:00 is the end of a day';
    } else if (oneDay && to < from) {
      said = wrong = 'a special day ends at midnight; nothing runs on into the next day';
    } else {
      apply(oneDay ? [0] : exact.days, from, to, brush);
    }
  }
</script>

<div class="grid grid-cols-1 gap-4">
  <div class="flex flex-wrap items-center gap-2" role="radiogroup" aria-label="What to paint">
    {#each brushes as v (v)}
      <label
        class="flex cursor-pointer items-center gap-1.5 rounded border px-2 py-0.5 text-sm {value === v
          ? 'border-accent bg-accent-wash font-semibold'
          : 'border-line'}"
      >
        <input type="radio" class="sr-only" bind:group={value} value={v} name="{label}-paint" />
        <span
          class="inline-block h-3.5 w-5 border border-line {v === 'erase'
            ? ''
            : v === 'level'
              ? 't-level'
              : texture(v)}"
          aria-hidden="true"
        ></span>
        {v === 'level' ? 'sensitivity' : v}
      </label>
    {/each}
    {#if levels}
      <input
        type="range"
        min="0"
        max="100"
        class="w-32 accent-accent"
        aria-label="Sensitivity to paint, 0 to 100"
        value={level}
        oninput={(e) => {
          level = e.currentTarget.value;
          value = 'level';
        }}
      />
      <input class="field w-16 py-0 text-right" bind:value={level} aria-label="Sensitivity to paint" />
    {/if}
    <span class="flex-1"></span>
    <button type="button" class="act text-sm" onclick={() => draft.undo()} disabled={!draft.canUndo}
      >Undo</button
    >
    <button type="button" class="act text-sm" onclick={() => draft.redo()} disabled={!draft.canRedo}
      >Redo</button
    >
  </div>

  <div class="relative overflow-x-auto">
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
      class="min-w-[520px] select-none"
      role="application"
      tabindex="0"
      aria-label="{label}: arrows move, Shift with arrows makes longer, Enter paints{oneDay
        ? ''
        : ', Delete erases'}, Alt for single minutes"
      onkeydown={key}
    >
      <div class="relative ml-12 h-5 text-xs text-faint" aria-hidden="true">
        {#each [0, 6, 12, 18, 24] as hour (hour)}
          <span
            class="absolute {hour === 24 ? '-translate-x-full' : hour === 0 ? '' : '-translate-x-1/2'}"
            style:left={share(hour * 60)}>{time(hour * 60)}</span
          >
        {/each}
      </div>
      {#each rows as day, i (day)}
        <div class="flex items-stretch gap-2 py-[3px]">
          <div class="w-10 pt-2 text-right text-xs leading-5 text-faint">{day}</div>
          <div
            class="relative h-9 flex-1 cursor-crosshair touch-none rounded-[3px] bg-sunken"
            role="presentation"
            data-day={day}
            onpointerdown={(e) => start(e, i)}
            onpointermove={move}
            onpointerup={end}
            onpointercancel={() => (dragging = false)}
          >
            {#each above[i] as piece (piece.from)}
              <div
                class="pointer-events-none absolute top-0 h-[9px] overflow-hidden text-[9px] leading-[9px] opacity-70 {levels
                  ? 't-level'
                  : texture(piece.run.triggers)}"
                style:left={share(piece.from)}
                style:width={share(piece.to - piece.from)}
                title="inherited {time(piece.from)}–{time(piece.to)} {piece.run.triggers}"
              ></div>
            {/each}
            {#each own[i] as piece (piece.from)}
              <div
                class="pointer-events-none absolute top-[11px] flex h-[23px] items-center overflow-hidden border-r border-paper px-1 text-xs font-semibold {levels
                  ? ''
                  : texture(piece.run.triggers)}"
                style:left={share(piece.from)}
                style:width={share(piece.to - piece.from)}
              >
                {#if levels}
                  <div
                    class="t-level absolute inset-x-0 bottom-0"
                    style:height="{Math.max(4, Number(piece.run.triggers))}%"
                  ></div>
                {/if}
                <span
                  class="relative rounded-xs px-0.5 {piece.run.triggers === 'continuous'
                    ? ''
                    : 'bg-raised/80'}">{letter(piece.run.triggers) || 'none'}</span
                >
              </div>
            {/each}
            {#if cursor.day === i}
              <div
                class="pointer-events-none absolute top-[9px] h-[27px] border-2 border-ink"
                style:left={share(Math.min(cursor.from, cursor.to))}
                style:width={share(Math.max(Math.abs(cursor.to - cursor.from), 4))}
              ></div>
            {/if}
          </div>
        </div>
      {/each}
    </div>
  </div>
  <p class="sr-only" aria-live="polite">{said}</p>
  <p class="text-xs text-faint {oneDay ? 'hidden' : ''}">
    The thin row above is what other layers say; the full one is what is said here. Where nothing is said
    here, theirs holds. Drag to paint; Alt while dragging for single minutes.
  </p>

  <div class="grid gap-4 md:grid-cols-2">
    <fieldset class="grid content-start gap-2 text-sm">
      <legend class="head mb-1">Exact times</legend>
      <div class="flex flex-wrap items-center gap-2">
        <input class="field w-20" pattern="[0-2][0-9]:[0-5][0-9]" bind:value={exact.from} aria-label="From" />
        to
        <input
          class="field w-20"
          pattern="[0-2][0-9]:[0-5][0-9]"
          bind:value={exact.to}
          aria-label="To; 24:00 is the end of the day"
        />
        <button type="button" class="act" onclick={paintExact} disabled={!oneDay && exact.days.length === 0}
          >Paint</button
        >
      </div>
      {#if wrong}<p class="text-loss">{wrong}</p>{/if}
      {#if !oneDay}
        <div class="flex flex-wrap gap-2">
          {#each DAYS as day, i (day)}
            <label class="flex items-center gap-1"
              ><input type="checkbox" value={i} bind:group={exact.days} />{day}</label
            >
          {/each}
        </div>
        <div class="flex flex-wrap items-center gap-2 pt-1">
          <label
            >Copy <select class="field py-0" bind:value={copyFrom} aria-label="Day to copy">
              {#each DAYS as day, i (day)}<option value={i}>{day}</option>{/each}
            </select></label
          >
          <button
            type="button"
            class="act"
            onclick={() =>
              draft.copyDay(
                copyFrom,
                exact.days.filter((d) => d !== copyFrom),
              )}>to the days ticked above</button
          >
        </div>
      {/if}
    </fieldset>
    <label>
      <span class="head mb-1 block">The same as text, one window a line</span>
      <textarea
        class="field native h-24 w-full leading-5"
        spellcheck="false"
        name="{label}-text"
        value={draft.text}
        oninput={(e) => draft.type(e.currentTarget.value)}
        aria-invalid={draft.fault ? 'true' : undefined}></textarea>
      {#if draft.fault}
        <span class="block text-sm text-loss" role="alert"
          >Line {draft.fault.line}: {draft.fault.message}</span
        >
      {/if}
    </label>
  </div>
</div>
