<script lang="ts">
  import type { Schemas } from '../api/client';
  import WeekLegend from './WeekLegend.svelte';
  import { alike, DAY, DAYS, letter, perDay, texture, time } from '../week';

  /** Folded, days that look alike are one row, and what the drawing means is said elsewhere. */
  let { week, folded = false }: { week: Schemas['WeekView']; folded?: boolean } = $props();

  const asked = $derived(perDay(week.asked));
  const observed = $derived(perDay(week.observed));
  const astray = $derived(perDay(week.differences.map((d) => ({ ...d, triggers: d.observed }))));
  const share = (minutes: number) => `${(minutes / DAY) * 100}%`;
  const rows = $derived(folded ? alike(asked, observed, astray) : DAYS.map((name, day) => ({ name, day })));
  const HOURS = [0, 6, 12, 18, 24];
</script>

<div
  class="relative overflow-x-auto"
  role="group"
  aria-label="Week: what is asked, above what the recorder holds"
>
  <div class="min-w-[520px]">
    <div class="relative {folded ? 'ml-16' : 'ml-12'} h-5 text-xs text-faint">
      {#each HOURS as hour (hour)}
        <span
          class="absolute {hour === 24 ? '-translate-x-full' : hour === 0 ? '' : '-translate-x-1/2'}"
          style:left={share(hour * 60)}>{time(hour * 60)}</span
        >
      {/each}
    </div>
    {#each rows as { name: day, day: i } (i)}
      <div class="flex items-stretch gap-2 py-[3px]">
        <div class="{folded ? 'w-14' : 'w-10'} pt-px text-right text-xs leading-5 text-faint">{day}</div>
        <div class="relative h-[30px] flex-1 rounded-[3px] bg-sunken">
          {#each asked[i] as piece (piece.from)}
            <div
              class="absolute top-0 flex h-5 items-center overflow-hidden border-r border-paper px-1 text-xs leading-none font-semibold {texture(
                piece.run.triggers,
              )}"
              style:left={share(piece.from)}
              style:width={share(piece.to - piece.from)}
              title="{day} {time(piece.from)}–{time(piece.to)} {piece.run.triggers}, from {piece.run.origin
                ?.text ?? 'the policy'}"
            >
              <span class="rounded-xs px-0.5 {piece.run.triggers === 'continuous' ? '' : 'bg-raised/80'}"
                >{letter(piece.run.triggers)}</span
              >
            </div>
          {/each}
          {#each observed[i] as piece (piece.from)}
            <div
              class="absolute top-[22px] h-2 {texture(piece.run.triggers)}"
              style:left={share(piece.from)}
              style:width={share(piece.to - piece.from)}
              title="the recorder holds {day} {time(piece.from)}–{time(piece.to)} {piece.run.triggers}"
            ></div>
          {/each}
          {#each astray[i] as piece (piece.from)}
            <div
              class="absolute -top-px h-8 border-2 border-dotted border-loss"
              style:left={share(piece.from)}
              style:width={share(piece.to - piece.from)}
              title="{piece.run.when}: ought to be {piece.run.wanted}, holds {piece.run.observed}"
            ></div>
          {/each}
        </div>
      </div>
    {/each}
    {#if !folded}<p class="mt-2 ml-12 text-xs text-faint"><WeekLegend /></p>{/if}
  </div>
</div>
