/**
 * What was done to the demo before it was ever opened, the latest first: each change with the steps that take it back. From today's brand
 * they lead to the brand as it began, and the log is what leads from there to today.
 */
import type { DemoPast } from '../src/server/brands/demo-past';

const [IDA, OREN, PETRA] = ['demo-ida', 'demo-oren', 'demo-petra'];

export const PAST: DemoPast = {
  changes: [
    { by: OREN, days: 0.9, label: 'Shoal a step darker, for captions', back: [paint('core-shoal', '#4f9da1')] },
    { by: OREN, days: 2.1, label: 'Foam cooler, as on the winter timetable', back: [paint('core-foam', '#e3f1ea')] },
    { by: OREN, days: 3.2, label: 'Lamp warmer, as the new lenses', back: [paint('core-lamp', '#e9c05a')] },
    { by: IDA, days: 10, label: 'Compare with house set 2', back: [{ do: 'brand.edit', set: { house: null } }] },
    {
      by: IDA,
      days: 12.3,
      label: 'Captions dimmer on the night bridge',
      back: [{ do: 'token.set', id: 't-text-soft', set: { night: { colour: '#9a6a58' } } }],
    },
    {
      by: OREN,
      days: 15.1,
      label: 'Weir is called Weir Landing',
      back: [{ do: 'swatch.edit', id: 'route-weir-landing', set: { name: 'Weir' } }],
    },
    { by: OREN, days: 15.2, label: 'Kelp Strand darker, apart from Mill Quay', back: [paint('route-kelp-strand', '#12786c')] },
    { by: OREN, days: 18.3, label: 'Mist lighter', back: [paint('core-mist', '#c8d0d6')] },
    { by: IDA, days: 20.1, label: 'Derive High contrast from Day', back: [{ do: 'theme.remove', id: 'contrast' }] },
    { by: IDA, days: 33.2, label: 'Ship to the fares workbook', back: [{ do: 'destination.remove', id: 'd-workbook' }] },
    { by: OREN, days: 36.1, label: 'Lichen greener', back: [paint('deck-lichen', '#a8a184')] },
    {
      by: IDA,
      days: 38.2,
      label: 'Say what text.soft is for',
      back: [{ do: 'token.edit', id: 't-text-soft', set: { description: '' } }],
    },
    { by: OREN, days: 40.3, label: 'Call the series Sea state', back: [{ do: 'palette.edit', id: 'sea', set: { name: 'Sea' } }] },
  ],
  releases: [
    {
      afterDays: 33.2,
      days: 30,
      by: IDA,
      title: 'First colours',
      version: '1.0.0',
      note: 'What the booking site and the bridge begin with.',
      signedBy: [],
    },
    {
      afterDays: 10,
      days: 9,
      by: IDA,
      title: 'Night and high contrast',
      version: '2.0.0',
      note: 'Weir is called Weir Landing: charts that name it want the new name.',
      signedBy: ['Petra'],
    },
  ],
  rule: { approvals: 1, releasers: 'owners and editors', newErrors: 'told', byMakers: 'owners' },
  signOffs: [
    {
      id: 'demo-signoff-1',
      since: 1,
      days: 11,
      by: OREN,
      title: 'Night and high contrast',
      note: 'A theme for bright daylight on deck, and calmer captions at night.',
      release: 2,
      remarks: [
        {
          days: 11,
          afterDays: 12.3,
          by: PETRA,
          kind: 'comment',
          about: 't-text-soft',
          text: 'Still readable with the red lamp on?',
          closedBy: OREN,
        },
        {
          days: 9.5,
          afterDays: 10,
          by: PETRA,
          kind: 'approve',
          about: null,
          text: 'Read on the bridge at night; good.',
          closedBy: null,
        },
      ],
    },
    {
      id: 'demo-signoff-2',
      since: 2,
      days: 2,
      by: OREN,
      title: 'Winter timetable',
      note: 'Lamp, foam and shoal as they are printed on the winter timetable. Please look at the booking site.',
      release: null,
      remarks: [
        {
          days: 2,
          afterDays: 2.1,
          by: PETRA,
          kind: 'comment',
          about: 'core-foam',
          text: 'Is the panel still told from the page?',
          closedBy: null,
        },
        { days: 2, afterDays: 2.1, by: PETRA, kind: 'approve', about: null, text: 'Fits the print.', closedBy: null },
      ],
    },
  ],
  houseSets: [
    { days: 29, release: 1, palettes: ['core', 'route', 'sea', 'tide'] },
    { days: 10.1, release: 2, palettes: ['core', 'route', 'sea', 'tide'] },
  ],
  second: {
    id: 'harbours',
    name: 'Quillhaven Harbours',
    tokens: [
      { path: 'surface.page', role: 'surface', swatch: 'core-foam' },
      { path: 'text.default', role: 'text', swatch: 'core-keel' },
      { path: 'brand.primary', role: 'accent', swatch: 'core-harbour' },
    ],
  },
};

function paint(id: string, value: string) {
  return { do: 'swatch.edit' as const, id, set: { value } };
}
