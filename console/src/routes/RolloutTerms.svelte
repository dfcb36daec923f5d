<script lang="ts">
  import { rolloutTerms, type Terms } from './rollout-terms';

  /** How a rollout is to go: what goes first, what may fail, in which hours, and who lets it go. */
  let { terms = $bindable(rolloutTerms()) }: { terms?: Terms } = $props();
</script>

<label>
  <span class="head mb-1 block">Go first</span>
  <input
    class="field w-32"
    bind:value={terms.waves}
    name="waves"
    required
    pattern="\s*\d+ ?%?(\s*,\s*\d+ ?%?)*\s*"
    title="Numbers of cameras, or shares of them, one for each wave before the rest: 3 or 5%, 25%"
  />
</label>
<label>
  <span class="head mb-1 block">May fail</span>
  <span class="flex items-center gap-1">
    <input class="field w-20" type="number" min="0" max="100" bind:value={terms.mayFail} name="may-fail" />
    <span class="text-sm text-faint">%</span>
  </span>
</label>
<label>
  <span class="head mb-1 block">In the hours</span>
  <input
    class="field w-36"
    bind:value={terms.hours}
    name="hours"
    placeholder="any"
    pattern="\s*\d\d:\d\d\s*-\s*\d\d:\d\d\s*"
    title="On the clock of each recorder, such as 22:00-05:00; empty for any time"
  />
</label>
<label class="flex items-center gap-2 pb-2 text-sm">
  <input type="checkbox" bind:checked={terms.secondPerson} name="second-person" />
  Somebody else lets it go
</label>
