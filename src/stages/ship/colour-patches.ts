import {
  Decoration,
  MatchDecorator,
  ViewPlugin,
  WidgetType,
  type DecorationSet,
  type EditorView,
  type ViewUpdate,
} from '@codemirror/view';
import { readColour } from '@/core/colour/read';

class Patch extends WidgetType {
  constructor(private readonly hex: string) {
    super();
  }

  override eq(other: Patch): boolean {
    return other.hex === this.hex;
  }

  override toDOM(): HTMLElement {
    const patch = document.createElement('span');
    patch.style.cssText = `display:inline-block;width:1.5em;height:1em;margin-right:.4em;vertical-align:-.12em;box-shadow:0 0 0 1px var(--line);background:${this.hex}`;
    return patch;
  }
}

const matcher = new MatchDecorator({
  regexp: /#[0-9a-f]{6}(?:[0-9a-f]{2})?\b/g,
  decorate(add, from, _to, [text]) {
    const colour = readColour(text);
    if (colour) add(from, from, Decoration.widget({ widget: new Patch(colour.hex) }));
  },
});

/** Sets a patch of the colour itself before every hex code of a text. */
export const colourPatches = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;

    constructor(view: EditorView) {
      this.decorations = matcher.createDeco(view);
    }

    update(update: ViewUpdate): void {
      this.decorations = matcher.updateDeco(update, this.decorations);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);
