<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { ago, groupName, groupTerm, when } from '../lib/format';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { p } from '../router';

  let { camera }: { camera: Schemas['CameraView'] } = $props();

  const row = $derived(camera.row);
</script>

<dl class="mb-8 flex flex-wrap gap-x-8 gap-y-2 text-sm">
  <div>
    <dt class="head">Tuning</dt>
    <dd><TuningMark mark={row.mark} wide /></dd>
  </div>
  <div>
    <dt class="head">Camera</dt>
    <dd class="native">{row.camera}</dd>
  </div>
  <div>
    <dt class="head">Device</dt>
    <dd>{row.deviceName}</dd>
  </div>
  <div>
    <dt class="head">Group</dt>
    <dd>
      <a href={p('/fleet') + '?select=' + encodeURIComponent(groupTerm(row.group))}>{groupName(row.group)}</a>
    </dd>
  </div>
  <div>
    <dt class="head">Recorder</dt>
    <dd>
      <a href={p('/recorders/:name', { params: { name: row.recorder } })}>{row.recorder}</a>
      {camera.model}, firmware {camera.firmware}
    </dd>
  </div>
  <div>
    <dt class="head">Tags</dt>
    <dd>{row.tags.join(', ') || 'none'}</dd>
  </div>
  <div>
    <dt class="head">Read</dt>
    <dd title={when(camera.readAt)}>{ago(camera.readAt)}</dd>
  </div>
</dl>
{#if camera.paused}
  <p class="mb-6 border-l-2 border-waiting pl-4">
    {camera.paused}, so it is neither audited nor written.
  </p>
{/if}
{#if camera.trouble}
  <p class="mb-6 border-l-2 border-loss pl-4">
    What it holds now is not known: {camera.trouble}.
  </p>
{/if}
