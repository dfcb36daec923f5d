<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import LineCompare from '../lib/ui/LineCompare.svelte';

  /** Somebody else saved first: both changes side by side, and nothing is lost whatever is chosen. */
  let {
    began,
    mine,
    theirs,
    ontake,
  }: {
    began: string;
    mine: string;
    theirs: Schemas['TemplateView'];
    ontake: (text: string, from: Schemas['TemplateView']) => void;
  } = $props();
</script>

<section class="mb-8 border-l-4 border-waiting bg-waiting-wash p-4" role="alert" aria-labelledby="conflict">
  <h2 id="conflict" class="text-lg font-semibold">
    {theirs.author} saved revision {theirs.revision} while you worked
  </h2>
  <p class="mb-3">
    Nothing was overwritten. Both began from the same text; this is what each of you changed.
  </p>
  <div class="grid gap-6 lg:grid-cols-2">
    <div class="min-w-0">
      <h3 class="head mb-1">{theirs.author}, {when(theirs.at)}</h3>
      <LineCompare before={began} after={theirs.text} />
      <button class="act mt-3" onclick={() => ontake(theirs.text, theirs)}
        >Go on from theirs; mine stays in Undo</button
      >
    </div>
    <div class="min-w-0">
      <h3 class="head mb-1">You, not saved</h3>
      <LineCompare before={began} after={mine} />
      <button class="act mt-3" onclick={() => ontake(mine, theirs)}
        >Keep mine; saving then replaces theirs</button
      >
    </div>
  </div>
</section>
