export type Family =
  'brand' | 'tokens' | 'swatches' | 'table' | 'image' | 'dashboard' | 'style framework' | 'game engine' | 'interface' | 'text';

/** What the families are called, in the order in which most people ask for them. */
export const FAMILY_TITLES: Readonly<Record<Family, string>> = {
  dashboard: 'Dashboards and charts',
  'style framework': 'Sites and style frameworks',
  'game engine': 'Games',
  interface: 'Software and systems',
  tokens: 'Token pipelines',
  swatches: 'Swatches in other programs',
  table: 'Tables',
  image: 'Pictures and drawings',
  text: 'Anything else',
  brand: 'Breakwater',
};
