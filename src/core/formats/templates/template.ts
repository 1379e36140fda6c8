import { escapeXml } from '../../base/escape-xml';
import { finding, type Finding } from '../../findings/finding';
import { about } from '../kit/options';
import { casing, CASINGS, chosen, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { Context, Liquid, LiquidError, toValueSync, type Template } from 'liquidjs';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { identifier } from '../kit/identifiers';
import { chosenTokens, material, type ShippedTheme } from '../kit/material';
import { commentText, quoted } from '../../base/plain-text';
import { templateModel } from './template-model';

/** What a rendering may use. A template for a large brand stays far below. */
const LIMITS = { source: 100_000, milliseconds: 1_000, memory: 50_000_000, output: 4_000_000 } as const;

/** Tags that read other files. */
const TAGS_LEFT_OUT = ['include', 'render', 'layout', 'block'];
/** Filters whose result is another tomorrow, and those that evaluate an expression for every item, which no limit counts. */
const FILTERS_LEFT_OUT = [
  ...['date', 'date_to_xmlschema', 'date_to_rfc822', 'date_to_string', 'date_to_long_string', 'sample'],
  ...['where_exp', 'reject_exp', 'group_by_exp', 'has_exp', 'find_exp', 'find_index_exp'],
];

/** A template that some brand of an organisation ships by. */
export interface SharedTemplate {
  readonly brand: string;
  readonly name: string;
  readonly source: string;
}

/** A first template, which shows how the parts of the model are named. */
export const FIRST_TEMPLATE = `# {{ brand.name }}
{%- for theme in themes %}

[{{ theme.slug }}]
{%- for token in theme.tokens %}
{{ token.name }} = {{ token.css }}
{%- endfor %}
{%- endfor %}
`;

export const template = defineFormat({
  id: 'template',
  title: 'Own template (Liquid)',
  family: 'text',
  extensions: ['.liquid'],
  purpose: 'For any program that reads a text: write its file as a template, and every colour is filled in.',
  readBy: 'Anything else, by a template of your own',
  reload: 'start',
  options: z.strictObject({
    file: z
      .string()
      .max(80)
      .regex(/^[A-Za-z0-9][A-Za-z0-9_-]*(\.[A-Za-z0-9_-]+)*$/, 'A file’s name is letters, digits, hyphens, underscores and dots.')
      .default('colours.conf')
      .meta(about({ title: 'Name of the file', description: 'colours.conf' })),
    each: z
      .enum(['brand', 'theme'])
      .default('brand')
      .meta(
        about({ title: 'Files', description: 'one for all themes', says: { brand: 'one for all themes', theme: 'one a theme' } }),
      ),
    prefix,
    ...chosen,
    naming: casing(...CASINGS),
    source: z
      .string()
      .max(LIMITS.source, `A template has at most ${LIMITS.source} characters.`)
      .default(FIRST_TEMPLATE)
      .meta(about({ title: 'Template', description: 'a first one', names: 'source' })),
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const rendered = rendering(options.source);
    if ('problem' in rendered) return { files: [], findings: [...findings, finding('template', 'error', rendered.problem)] };
    const all: Finding[] = [...findings];
    const files = (options.each === 'theme' ? shipped : [null]).flatMap((theme) => {
      const result = rendered.render(templateModel(brand, shipped, theme));
      if ('problem' in result) all.push(finding('template', 'error', result.problem));
      return 'text' in result ? [textFile(`text/${nameFor(options.file, theme)}`, 'text/plain', result.text)] : [];
    });
    return { files, findings: all };
  },
});

/** `scheme.conf` of the theme Day is `scheme-day.conf`. */
function nameFor(file: string, theme: ShippedTheme | null): string {
  if (!theme) return file;
  const dot = file.indexOf('.');
  return dot < 0 ? `${file}-${theme.identifier}` : `${file.slice(0, dot)}-${theme.identifier}${file.slice(dot)}`;
}

type Rendered = { readonly text: string } | { readonly problem: string };

/** A template ready to be filled in, or the sentence that says where it is wrong. */
function rendering(source: string): { render: (model: object) => Rendered } | { problem: string } {
  const engine = newEngine();
  let parsed: Template[];
  try {
    parsed = engine.parse(source);
  } catch (error) {
    return { problem: sentence(error) };
  }
  return {
    render(model) {
      const context = new Context(model, engine.options, {
        sync: true,
        renderLimit: LIMITS.milliseconds,
        memoryLimit: LIMITS.memory,
      });
      const output = new BoundedOutput();
      try {
        toValueSync(engine.renderer.renderTemplates(parsed, context, output));
        return { text: output.buffer };
      } catch (error) {
        return { problem: sentence(error) };
      }
    },
  };
}

function newEngine(): Liquid {
  const engine = new Liquid({
    strictFilters: true,
    strictVariables: true,
    ownPropertyOnly: true,
    parseLimit: LIMITS.source,
    relativeReference: false,
    // Nothing is read: a template is whole by itself.
    templates: {},
  });
  for (const tag of TAGS_LEFT_OUT) delete engine.tags[tag];
  for (const filter of FILTERS_LEFT_OUT) engine.unregisterFilter(filter);
  for (const style of CASINGS) engine.registerFilter(style, (path: unknown) => identifier(String(path), style));
  engine.registerFilter('slug', (text: unknown) => slug(String(text)));
  engine.registerFilter('xml', (text: unknown) => escapeXml(String(text)));
  engine.registerFilter('quoted', (text: unknown) => quoted(String(text)));
  engine.registerFilter('comment', (text: unknown) => commentText(String(text)));
  return engine;
}

/** Gathers what a template writes, and stops it when it is too much. */
class BoundedOutput {
  buffer = '';

  write(part: unknown): void {
    const text = part === null || part === undefined ? '' : String(part as string);
    if (this.buffer.length + text.length > LIMITS.output) throw new TooLong();
    this.buffer += text;
  }
}

class TooLong extends Error {}

/** What is wrong with a template, where, and what to do. */
function sentence(error: unknown): string {
  const causes: unknown[] = [error];
  for (let at = error; at instanceof Error && 'originalError' in at; at = at.originalError) causes.push(at.originalError);
  const message = error instanceof Error ? error.message : String(error);
  const place = /, line:(\d+), col:(\d+)/.exec(message);
  const where = place ? `Line ${place[1]} of the template: ` : 'The template: ';
  if (causes.some((cause) => cause instanceof TooLong))
    return `${where}it writes more than ${LIMITS.output / 1_000_000} million characters; write less in its loops.`;
  if (/template render limit exceeded/.test(message))
    return `${where}it runs for more than ${LIMITS.milliseconds / 1_000} second; loop over less.`;
  if (/memory alloc limit exceeded/.test(message)) return `${where}it gathers too much at once; loop over less.`;
  const what = message.replace(/, (?:file|line):.*$/s, '').replace(/^(?:\w+Error: )+/, '');
  if (error instanceof LiquidError || causes.some((cause) => cause instanceof RangeError)) return `${where}${what}.`;
  throw error;
}
