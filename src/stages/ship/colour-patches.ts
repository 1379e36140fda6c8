import { Decoration, EditorView, gutter, GutterMarker, ViewPlugin, type DecorationSet } from '@codemirror/view';
import type { Extension } from '@uiw/react-codemirror';
import type { WrittenFile } from '@/core/formats/kit/format';
import type { Mark } from '@/core/formats/kit/marks';
import { literalsIn } from '@/core/source/occurrence';
import { SourceText } from '@/core/source/source-text';

/** Patches of one line side by side in the margin; more would crowd out the numbers. */
const MOST = 3;
/** Of a file that says nothing of its colours, only so much is looked through. */
const LOOKED_THROUGH = 200_000;

/** A colour that stands in a line of the preview. */
export interface LineMark extends Pick<Mark, 'hex' | 'token' | 'swatch' | 'theme'> {
  /** From 1. */
  readonly line: number;
  /** Where it begins and ends in the line, from 0. */
  readonly from: number;
  readonly to: number;
}

/**
 * The colours of a file by their lines: those that its writer marked, or, of a file that somebody else's template made,
 * those that a source of any kind holds; these lead to no token by themselves.
 */
export function lineMarks({ marks }: WrittenFile, text: string): LineMark[] {
  const source = SourceText.ofText(text);
  const found: readonly Mark[] =
    marks ?? Array.from(literalsIn(text.slice(0, LOOKED_THROUGH)), ({ span, literal }) => ({ ...span, hex: literal.colour.hex }));
  return found.map(({ from, to, ...mark }) => {
    const { line, column } = source.placeOf(from);
    return { ...mark, line, from: column - 1, to: column - 1 + (to - from) };
  });
}

class Patches extends GutterMarker {
  constructor(private readonly colours: readonly string[]) {
    super();
  }

  override eq(other: Patches): boolean {
    return other.colours.join() === this.colours.join();
  }

  override toDOM(): HTMLElement {
    const all = document.createElement('span');
    all.className = 'patches';
    for (const hex of this.colours) {
      const patch = document.createElement('i');
      patch.style.background = hex;
      all.append(patch);
    }
    return all;
  }
}

/** A margin with a patch of every colour that its line holds; the codes in the text can be pressed. */
export function colourPatches(marks: readonly LineMark[], onMark: (mark: LineMark) => void): Extension {
  const byLine = new Map<number, LineMark[]>();
  for (const mark of marks) {
    const known = byLine.get(mark.line);
    if (known) known.push(mark);
    else byLine.set(mark.line, [mark]);
  }
  const marksAt = (view: EditorView, at: number) => byLine.get(view.state.doc.lineAt(at).number) ?? [];
  return [
    gutter({
      class: 'cm-patches',
      lineMarker(view, { from }) {
        const colours = [...new Set(marksAt(view, from).map(({ hex }) => hex))];
        return colours.length > 0 ? new Patches(colours.slice(0, MOST)) : null;
      },
      initialSpacer: () => new Patches(['transparent']),
      domEventHandlers: { click: (view, { from }) => pressed(view, from) },
    }),
    ViewPlugin.fromClass(
      class {
        readonly decorations: DecorationSet;

        constructor({ state: { doc } }: EditorView) {
          this.decorations = Decoration.set(
            marks.flatMap(({ line, from, to }) => {
              const { from: start, to: end } = doc.line(Math.min(line, doc.lines));
              // A mark that goes over several lines is pressed in its first.
              return start + from < end ? [CODE.range(start + from, Math.min(end, start + to))] : [];
            }),
            true,
          );
        }
      },
      {
        decorations: (plugin) => plugin.decorations,
        eventHandlers: {
          click(event: MouseEvent, view) {
            if (!(event.target as Element).closest('.cm-code')) return;
            const at = view.posAtCoords(event);
            if (at !== null) pressed(view, at);
          },
        },
      },
    ),
  ];

  function pressed(view: EditorView, at: number): boolean {
    const column = at - view.state.doc.lineAt(at).from;
    const here = marksAt(view, at);
    const hit = here.find(({ from, to }) => column >= from && column <= to) ?? here[0];
    if (hit) onMark(hit);
    return hit !== undefined;
  }
}

const CODE = Decoration.mark({ class: 'cm-code' });
