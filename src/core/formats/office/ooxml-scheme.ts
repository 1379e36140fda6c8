import { escapeXml } from '../../base/escape-xml';
import { zipFiles } from '../kit/zip';

/** The twelve places of a colour scheme in the order of the standard: ECMA-376 part 1, 20.1.6.2 (clrScheme). */
export const SCHEME_PLACES = [
  'dk1',
  'lt1',
  'dk2',
  'lt2',
  'accent1',
  'accent2',
  'accent3',
  'accent4',
  'accent5',
  'accent6',
  'hlink',
  'folHlink',
] as const;
export type SchemePlace = (typeof SCHEME_PLACES)[number];

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
const DRAWING = 'http://schemas.openxmlformats.org/drawingml/2006/main';
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
export const THEME_TYPE = 'application/vnd.openxmlformats-officedocument.theme+xml';

/**
 * A DrawingML theme part: the scheme, and the plainest fonts and formats that the standard asks for beside it.
 * @param colours `#rrggbb` by place
 */
export function themePart(name: string, colours: Readonly<Record<SchemePlace, string>>): string {
  const scheme = SCHEME_PLACES.map(
    (place) => `<a:${place}><a:srgbClr val="${colours[place].slice(1).toUpperCase()}"/></a:${place}>`,
  );
  const font = '<a:latin typeface="Calibri"/><a:ea typeface=""/><a:cs typeface=""/>';
  const fill = '<a:solidFill><a:schemeClr val="phClr"/></a:solidFill>';
  const three = (text: string) => text.repeat(3);
  const title = escapeXml(name);
  return `${HEAD}<a:theme xmlns:a="${DRAWING}" name="${title}"><a:themeElements><a:clrScheme name="${title}">${scheme.join('')}</a:clrScheme><a:fontScheme name="${title}"><a:majorFont>${font}</a:majorFont><a:minorFont>${font}</a:minorFont></a:fontScheme><a:fmtScheme name="${title}"><a:fillStyleLst>${three(fill)}</a:fillStyleLst><a:lnStyleLst>${three(`<a:ln w="9525">${fill}<a:prstDash val="solid"/></a:ln>`)}</a:lnStyleLst><a:effectStyleLst>${three('<a:effectStyle><a:effectLst/></a:effectStyle>')}</a:effectStyleLst><a:bgFillStyleLst>${three(fill)}</a:bgFillStyleLst></a:fmtScheme></a:themeElements></a:theme>\n`;
}

/** A theme as a file by itself (.thmx): the part in the smallest package that holds one. */
export function themePackage(part: string): Uint8Array {
  const parts: Record<string, string> = {
    '[Content_Types].xml': `${HEAD}<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/theme/theme/themeManager.xml" ContentType="application/vnd.openxmlformats-officedocument.themeManager+xml"/><Override PartName="/theme/theme/theme1.xml" ContentType="${THEME_TYPE}"/></Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${RELATIONS}/officeDocument" Target="theme/theme/themeManager.xml"/></Relationships>`,
    'theme/theme/themeManager.xml': `${HEAD}<a:themeManager xmlns:a="${DRAWING}"/>`,
    'theme/theme/_rels/themeManager.xml.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${RELATIONS}/theme" Target="theme1.xml"/></Relationships>`,
    'theme/theme/theme1.xml': part,
  };
  const encoder = new TextEncoder();
  return zipFiles(Object.entries(parts).map(([path, text]) => ({ path, bytes: encoder.encode(text) })));
}
