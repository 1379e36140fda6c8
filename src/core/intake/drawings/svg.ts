import { scanCss } from '../../source/css';
import { readLiteral } from '../../source/literal';
import { literalsIn } from '../../source/occurrence';
import type { Problem } from '../../source/problem';
import { walkXml } from '../../source/xml';
import type { Reader } from '../reader';
import { nameOfFile, intakeOf } from '../intake';
import { DrawnColours } from './drawn-colours';

/** The presentation attributes that hold a colour: SVG 2, "Presentation attributes". */
const ATTRIBUTES = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color'];

/** A drawing's colours. Only read as text: nothing in it is run, drawn or fetched. */
export const svg: Reader = {
  id: 'svg',
  title: 'Drawing (SVG)',
  family: 'image',
  extensions: ['.svg'],
  purpose: 'The colours of fills, strokes, gradients and styles, with how often they are used.',
  read({ name, source }) {
    if (!source || !/<(?:\w+:)?svg[\s>]/.test(source.text.slice(0, 8_192))) return null;
    const uses = new DrawnColours(source);
    const problems: Problem[] = [];
    const style = (span: { from: number; to: number }, context: 'stylesheet' | 'declarationList') => {
      const scan = scanCss(source, span, context);
      uses.addCss(scan.occurrences);
      problems.push(...scan.problems);
    };
    let title = '';
    const fault = walkXml(source, {
      element({ attributes }) {
        for (const attribute of ATTRIBUTES) {
          const found = attributes.get(attribute);
          if (!found || /^\s*(?:none|transparent|inherit|currentcolor|url)/i.test(found.value)) continue;
          const literal = readLiteral(found.value.trim());
          const raw = source.textOf(found.span);
          const lead = Math.max(0, raw.indexOf(found.value.trim()));
          const from = found.span.from + lead;
          if (literal) uses.add(literal, attribute, { from, to: Math.min(found.span.to, from + literal.text.length) });
        }
        const inline = attributes.get('style');
        if (inline) style(inline.span, 'declarationList');
      },
      text({ value, span }, within) {
        if (within.at(-1) === 'style') style(span, 'stylesheet');
        if (within.at(-1) === 'title' && within.length === 2) title += value;
      },
      comment({ span }) {
        for (const found of literalsIn(source.textOf(span), span.from)) uses.remark(found.literal, found.span);
      },
    });
    if (fault) problems.push(fault);
    const palette = { name: title.trim() || nameOfFile(name), kind: 'loose' as const, entries: uses.entries() };
    return intakeOf('svg', [palette], problems);
  },
};
