import { basename, dirname, resolve } from 'node:path';
import { Marked, type Tokens } from 'marked';
import type { Plugin } from 'vite';

/** Pages of `docs/guide` by their name, and what lies beside that folder and is served with them. */
const BESIDE = ['settings', 'commands', 'running', 'families', 'activity', 'exports', 'responses', 'trials'];

/** A heading as the end of an address. */
export function slug(heading: string): string {
  return heading
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
}

/**
 * Makes a module of a document: its title, its text as HTML, and its sections for who searches. Pictures become files of the
 * console, and links lead to other documents that are served, or are plain words.
 */
export function documents(): Plugin {
  return {
    name: 'documents',
    enforce: 'pre',
    transform(source, id) {
      if (!id.endsWith('.md')) {
        return undefined;
      }
      const pictures: string[] = [];
      const marked = new Marked({
        renderer: {
          heading({ tokens, depth }: Tokens.Heading): string {
            const words = this.parser.parseInline(tokens);
            return `<h${depth} id="${slug(this.parser.parseInline(tokens, this.parser.textRenderer))}" tabindex="-1">${words}</h${depth}>\n`;
          },
          link({ href, tokens }: Tokens.Link): string {
            const words = this.parser.parseInline(tokens);
            const to = addressOf(id, href);
            return to ? `<a href="${to}">${words}</a>` : words;
          },
          image({ href, text }: Tokens.Image): string {
            const n = pictures.push(resolve(dirname(id), href)) - 1;
            return `<img alt="${text.replaceAll('"', '&quot;')}" src="\0${n}\0" loading="lazy">`;
          },
          table(token: Tokens.Table): string {
            const row = (cells: Tokens.TableCell[], tag: string) =>
              `<tr>${cells.map((c) => `<${tag}>${this.parser.parseInline(c.tokens)}</${tag}>`).join('')}</tr>`;
            return `<div class="overflow-x-auto"><table><thead>${row(token.header, 'th')}</thead><tbody>${token.rows
              .map((r) => row(r, 'td'))
              .join('')}</tbody></table></div>\n`;
          },
        },
      });
      const html = marked.parse(source, { async: false });
      const sections = html.split(/(?=<h[123] id=)/).flatMap((part) => {
        const head = /^<h[123] id="([^"]*)"[^>]*>(.*?)<\/h/.exec(part);
        if (!head) {
          return [];
        }
        const rest = part.slice(part.indexOf('</h') + 5);
        return [
          {
            id: head[1],
            head: plain(head[2] ?? ''),
            text: plain(rest),
            picture: /src="(\0\d+\0)"/.exec(rest)?.[1] ?? '',
            alt: plain(/alt="([^"]*)"/.exec(rest)?.[1] ?? ''),
          },
        ];
      });
      const body = JSON.stringify({ title: sections[0]?.head ?? basename(id, '.md'), html, sections });
      return {
        code:
          pictures.map((file, n) => `import p${n} from ${JSON.stringify(file)};\n`).join('') +
          // A picture's place in the text is taken by the address that it is built to.
          `const put = (text) => text.replace(/\\0(\\d+)\\0/g, (_, n) => [${pictures.map((_, n) => `p${n}`).join()}][n]);\n` +
          `const made = ${body};\n` +
          'export default { ...made, html: put(made.html), sections: made.sections.map((s) => ({ ...s, picture: put(s.picture) })) };\n',
        map: null,
        moduleType: 'js',
      };
    },
  };
}

function plain(html: string): string {
  return html
    .replace(/<[^>]*>/g, ' ')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Where a link of a document leads within the console; nowhere for what is not served. */
function addressOf(from: string, href: string): string | undefined {
  const [file = '', place] = href.split('#');
  const hash = place === undefined ? '' : `#${place}`;
  if (file === '') {
    return hash;
  }
  if (!/^[\w./-]+\.md$/.test(file)) {
    return undefined;
  }
  const to = resolve(dirname(from), file);
  const name = basename(to, '.md');
  return basename(dirname(to)) === 'guide' || BESIDE.includes(name) ? `/guide/${name}${hash}` : undefined;
}
