/** English words of hex digits alone that are as long as a code: they are words unless a # says otherwise. */
export const HEX_WORDS: ReadonlySet<string> = new Set(
  'ace add bad bed bee cab cad dab dad deb ebb fab fad fed fee abed aced babe bade bead beef cafe cede dace dead deaf deed face fade feed accede beaded bedded dabbed decade deface efface facade'.split(
    ' ',
  ),
);
