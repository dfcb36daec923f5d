<script lang="ts">
  import { around, PAGES, searching, SHELVES } from '../lib/guide/pages';
  import Empty from '../lib/ui/Empty.svelte';
  import Page from '../lib/ui/Page.svelte';
  import { navigate, p, route } from '../router';

  const params = $derived(route.params as { page?: string });
  const name = $derived(params.page ?? SHELVES[0]?.pages[0] ?? '');
  const page = $derived(PAGES.get(name));
  const words = $derived(String(route.search.with ?? '').trim());
  const search = searching(PAGES);
  const hits = $derived(words ? search(words) : []);
  let text = $state<HTMLElement>();

  /** Without the words that its shelf has already. */
  const titleOf = (other: string) => PAGES.get(other)?.title.replace(/^How to /, '') ?? other;

  function look(typed: string) {
    navigate(route.pathname as '/guide', { search: typed ? { with: typed } : {}, replace: true });
  }

  // The part that the address names is there only once its page is.
  $effect(() => {
    const place = decodeURIComponent(String(route.hash ?? '').replace(/^#/, ''));
    if (page && text && place && !words) {
      document.getElementById(place)?.scrollIntoView();
    }
  });
</script>

<Page
  question="How is it done?"
  answer="The guide in the order of the work, and everything to look up; its commands are tried by the tests of this version."
>
  <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[220px_minmax(0,1fr)]">
    <div class="print:hidden">
      <input
        class="field w-full"
        type="search"
        aria-label="Search the guide"
        placeholder="Search the guide"
        value={words}
        oninput={(e) => look(e.currentTarget.value)}
      />
      <nav aria-label="Pages of the guide" class="mt-4 text-sm max-lg:hidden">
        {#each SHELVES as shelf (shelf.name)}
          <h2 class="head mt-4 mb-1">{shelf.name}</h2>
          <ul>
            {#each shelf.pages as other (other)}
              <li>
                <a
                  class="-mx-2 block rounded-sm px-2 py-1 text-ink no-underline hover:bg-sunken {other ===
                    name && !words
                    ? 'bg-accent-wash font-semibold'
                    : ''}"
                  aria-current={other === name && !words ? 'page' : undefined}
                  href={p('/guide/:page', { params: { page: other } })}>{titleOf(other)}</a
                >
              </li>
            {/each}
          </ul>
        {/each}
      </nav>
      <label class="mt-3 block text-sm lg:hidden">
        <span class="head mb-1 block">Page</span>
        <select
          class="field w-full"
          value={name}
          onchange={(e) => navigate('/guide/:page', { params: { page: e.currentTarget.value } })}
        >
          {#each SHELVES as shelf (shelf.name)}
            <optgroup label={shelf.name}>
              {#each shelf.pages as other (other)}<option value={other}>{PAGES.get(other)?.title}</option
                >{/each}
            </optgroup>
          {/each}
        </select>
      </label>
    </div>
    {#if words}
      <section aria-label="What was found" aria-live="polite">
        <p class="mb-3 text-sm text-faint">
          {hits.length === 0 ? `Nothing in the guide speaks of “${words}”.` : `Where “${words}” stands:`}
        </p>
        <ul class="flex max-w-[75ch] flex-col gap-4">
          {#each hits as hit (hit.page + hit.section.id)}
            <li>
              <a
                class="font-semibold"
                href="{p('/guide/:page', { params: { page: hit.page } })}#{hit.section.id}"
                >{hit.section.head}</a
              >
              {#if hit.title !== hit.section.head}<span class="text-sm text-faint">in {hit.title}</span>{/if}
              <p class="text-sm">{around(hit.section.text, words)}</p>
            </li>
          {/each}
        </ul>
      </section>
    {:else if page}
      <article bind:this={text} class="document min-w-0">
        <!-- Made of the project's own documents when the console is built. -->
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html page.html}
      </article>
    {:else}
      <Empty title="There is no such page.">The list beside shows those that there are.</Empty>
    {/if}
  </div>
</Page>

<style>
  .document :global {
    h1 {
      font-size: 20px;
      line-height: 28px;
      font-weight: 600;
      margin-bottom: 8px;
    }
    h2,
    h3 {
      font-weight: 600;
      margin: 24px 0 4px;
      scroll-margin-top: 16px;
    }
    p,
    ul,
    ol {
      max-width: 75ch;
      margin-bottom: 12px;
    }
    ul,
    ol {
      padding-left: 20px;
      list-style: disc;
    }
    ol {
      list-style: decimal;
    }
    pre {
      overflow-x: auto;
      border: 1px solid var(--line);
      border-radius: 4px;
      background: var(--sunken);
      padding: 12px 16px;
      margin-bottom: 16px;
    }
    code {
      font-family: var(--font-mono);
      font-size: 12px;
    }
    table {
      font-size: 13px;
      line-height: 20px;
      margin-bottom: 16px;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 6px 16px 6px 0;
      border-bottom: 1px solid var(--line);
    }
    th {
      font-size: 12px;
      color: var(--faint);
    }
    img {
      max-width: 100%;
      margin: 4px 0;
      border-radius: 4px;
    }
  }
</style>
