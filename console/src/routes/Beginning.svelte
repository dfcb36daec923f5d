<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { count } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import { p } from '../router';

  /** The way of a fleet that is new here, in the views themselves, until something is asked of it. */
  let { overview }: { overview: Schemas['Overview'] } = $props();

  /** What is done already, by how many of the steps. */
  const done = $derived(
    overview.cameras === 0
      ? overview.recorders > 0
        ? 1
        : 0
      : overview.rows.some((r) => r.group !== 'fleet')
        ? 3
        : 2,
  );
  const title = $derived(
    overview.cameras === 0
      ? overview.recorders === 0
        ? 'No recorder is known yet.'
        : `${count(overview.recorders, 'recorder')}, and none was read yet.`
      : `${count(overview.cameras, 'camera')}, and nothing is asked of them yet.`,
  );
</script>

{#snippet state(step: number)}
  {#if step < done}<span class="text-accent">✓ done: </span>{/if}
{/snippet}

<Empty {title}>
  <ol class="mt-2 ml-5 flex list-decimal flex-col gap-2 text-left">
    <li>
      {@render state(0)}<a href={p('/recorders')}>Find the recorders and add them</a>, each with an account on
      it. Nothing is written to any.
    </li>
    <li>{@render state(1)}Read them; their cameras appear, and what they hold.</li>
    <li>
      {@render state(2)}<a href={p('/fleet')}>Put the cameras into groups</a>, as the place is built.
    </li>
    <li>
      Write down what is set today: <span class="native">choir survey --write FOLDER</span>, loaded by
      <span class="native">choir policy load FOLDER</span>, changes nothing.
    </li>
    <li>
      <a href={p('/templates')}>Begin a first template</a>, use it at a group, and
      <a href={p('/rollouts')}>look at the preview</a> before anything is given out.
    </li>
    <li>
      <a href={p('/guide/:page', { params: { page: '1-begin' } })}>The guide</a> says all of it step by step.
    </li>
  </ol>
</Empty>
