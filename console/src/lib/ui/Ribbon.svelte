<script lang="ts" generics="R extends Run">
  import { DAY, letter, texture, time, type Piece, type Run } from '../week';

  /**
   * Rows of a day each, to look at: what starts recording by texture and letter, sensitivities by height and number.
   */
  let {
    rows,
    label,
    levels = false,
    from,
  }: {
    rows: { name: string; pieces: Piece<R>[] }[];
    label: string;
    levels?: boolean;
    from: (run: R) => string;
  } = $props();

  const share = (minutes: number) => `${(minutes / DAY) * 100}%`;
</script>

<div class="overflow-x-auto" role="group" aria-label={label}>
  <div class="min-w-[420px]">
    {#each rows as { name, pieces } (name)}
      <div class="flex items-stretch gap-2 py-[2px]">
        <div class="w-10 text-right text-xs leading-5 text-faint">{name}</div>
        <div class="relative h-5 flex-1 rounded-[3px] bg-sunken">
          {#each pieces as piece (piece.from)}
            <div
              class="absolute inset-y-0 flex items-center overflow-hidden border-r border-paper px-1 text-xs leading-none font-semibold {levels
                ? ''
                : texture(piece.run.triggers)}"
              style:left={share(piece.from)}
              style:width={share(piece.to - piece.from)}
              title="{name} {time(piece.from)}–{time(piece.to)} {piece.run.triggers}, from {from(piece.run)}"
            >
              {#if levels}
                <div
                  class="t-level absolute inset-x-0 bottom-0"
                  style:height="{Math.max(6, Number(piece.run.triggers))}%"
                ></div>
              {/if}
              <span
                class="relative rounded-xs px-0.5 {piece.run.triggers === 'continuous' ? '' : 'bg-raised/80'}"
                >{letter(piece.run.triggers) || 'none'}</span
              >
            </div>
          {/each}
        </div>
      </div>
    {/each}
  </div>
</div>
