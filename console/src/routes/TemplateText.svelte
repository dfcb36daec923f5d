<script lang="ts">
  import Trouble from '../lib/ui/Trouble.svelte';

  let { text, act, save }: { text: string; act: string; save: (text: string) => Promise<void> } = $props();

  let written = $derived(text);
  let busy = $state(false);
  let error = $state<Error | undefined>();

  async function choose(event: Event) {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (file) {
      written = await file.text();
    }
  }

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    error = undefined;
    try {
      await save(written);
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }
</script>

<form onsubmit={submit} class="grid gap-3">
  <label>
    <span class="head mb-1 block">From a file</span>
    <input type="file" accept=".yaml,.yml,text/yaml" onchange={choose} class="text-sm" />
  </label>
  <label>
    <span class="head mb-1 block">Text</span>
    <textarea class="field native h-80 w-full leading-5" bind:value={written} name="text" spellcheck="false"
    ></textarea>
  </label>
  <Trouble {error} />
  <div><button class="act act-main" disabled={busy}>{busy ? 'Saving …' : act}</button></div>
</form>
