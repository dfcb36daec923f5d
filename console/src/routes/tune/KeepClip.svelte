<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Attempt } from '../../lib/attempt.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** Footage goes by itself unless somebody keeps it, for a reason and for days. */
  let { clip, onkept }: { clip: number; onkept: (clip: Schemas['ClipView']) => void } = $props();

  let because = $state('');
  let days = $state(90);
  const work = new Attempt();

  function keep(e: SubmitEvent) {
    e.preventDefault();
    void work.run(async () =>
      onkept(
        await ask(
          api.POST('/api/v1/clips/{id}/keep', { params: { path: { id: clip } }, body: { because, days } }),
        ),
      ),
    );
  }
</script>

<form class="mt-6 flex flex-wrap items-end gap-3 border-t border-line pt-4" onsubmit={keep}>
  <label class="text-sm"
    >Keep this footage because<br /><input
      class="field w-72 max-w-full"
      bind:value={because}
      required
      maxlength="200"
    /></label
  >
  <label class="text-sm"
    >Days<br /><input type="number" class="field w-20" bind:value={days} min="1" max="3650" /></label
  >
  <button class="act" disabled={work.busy}>Keep</button>
</form>
<Trouble error={work.error} />
