import {
  Decoration,
  type DecorationSet,
  type EditorView,
  gutter,
  GutterMarker,
  MatchDecorator,
  ViewPlugin,
  type ViewUpdate,
} from '@codemirror/view';
import type { Extension } from '@uiw/react-codemirror';
import { readColour } from '@/core/colour/read';
import { colourLiterals } from '@/core/formats/colour-literals';

/** Patches of one line side by side in the margin; more would crowd out the numbers. */
const MOST = 3;

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
    for (const css of this.colours) {
      const patch = document.createElement('i');
      patch.style.background = css;
      all.append(patch);
    }
    return all;
  }
}

/** What is written in a line, shown with its opacity left out: the file says it in figures. */
function coloursOf(view: EditorView, from: number, order: 'rgba' | 'argb'): string[] {
  return colourLiterals(view.state.doc.lineAt(from).text, order).map(({ css }) => readColour(css)!.hex);
}

/** A margin with a patch of every colour that its line holds; the codes in the text can be pressed. */
export function colourPatches(order: 'rgba' | 'argb', onColour: (line: number, css: string) => void): Extension {
  const codes = new MatchDecorator({
    // Whole lines: which colours stand in one is told elsewhere, and once.
    regexp: /.+/g,
    decorate(add, from, _to, [text]) {
      for (const literal of colourLiterals(text, order)) add(from + literal.from, from + literal.to, CODE);
    },
  });
  return [
    gutter({
      class: 'cm-patches',
      lineMarker(view, { from }) {
        const colours = coloursOf(view, from, order);
        return colours.length > 0 ? new Patches(colours.slice(0, MOST)) : null;
      },
      initialSpacer: () => new Patches(['transparent']),
      domEventHandlers: { click: (view, { from }) => pressed(view, from, 0) },
    }),
    ViewPlugin.fromClass(
      class {
        decorations: DecorationSet;

        constructor(view: EditorView) {
          this.decorations = codes.createDeco(view);
        }

        update(update: ViewUpdate): void {
          this.decorations = codes.updateDeco(update, this.decorations);
        }
      },
      {
        decorations: (plugin) => plugin.decorations,
        eventHandlers: {
          click(event: MouseEvent, view) {
            if (!(event.target as Element).closest('.cm-code')) return;
            const at = view.posAtCoords(event);
            if (at !== null) pressed(view, view.state.doc.lineAt(at).from, at - view.state.doc.lineAt(at).from);
          },
        },
      },
    ),
  ];

  function pressed(view: EditorView, from: number, column: number): boolean {
    const line = view.state.doc.lineAt(from);
    const literals = colourLiterals(line.text, order);
    const hit = literals.find((one) => column >= one.from && column <= one.to) ?? literals[0];
    if (hit) onColour(line.number - 1, hit.css);
    return hit !== undefined;
  }
}

const CODE = Decoration.mark({ class: 'cm-code' });
