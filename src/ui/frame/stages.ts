/** The six stages in the order of work, with what a newcomer is told of each. */
export const STAGES = [
  { id: 'gather', label: 'Gather', first: 'Paste colours from a style guide, a table or code, and see what was understood.' },
  { id: 'mix', label: 'Mix', first: 'Put them in order, tune them, name them; every change is kept and can be undone.' },
  { id: 'name', label: 'Name', first: 'Give each use a token, such as text.default, with a value in every theme.' },
  { id: 'prove', label: 'Prove', first: 'See which text cannot be read on its surface, and take the nearest colour that can.' },
  { id: 'ship', label: 'Ship', first: 'Choose what reads the colours: dashboards, sites, games, interfaces.' },
  { id: 'watch', label: 'Watch', first: 'Make a release, and read back what every screen really shows.' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];
