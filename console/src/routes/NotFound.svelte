<script lang="ts">
  import Page from '../lib/ui/Page.svelte';
  import { p } from '../router';
</script>

<Page question="Where is this page?" answer="There is none at this address.">
  <p><a href={p('/')}>To the overview</a></p>
</Page>
