import { escapeXml } from '../../base/escape-xml';
import { slug } from '../../base/words';
import { dashboardOptions, dashboardPalettes, type DashboardPalettes } from './dashboard-palettes';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';

/** XML 1.0, W3C XML Schema 1.0: the shape of every file this format writes. */
export const DASHBOARD_XSD = `<?xml version="1.0" encoding="UTF-8"?>
<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns="urn:breakwater:dashboard:1" xmlns:d="urn:breakwater:dashboard:1"
    targetNamespace="urn:breakwater:dashboard:1" elementFormDefault="qualified">
  <xs:element name="dashboard">
    <xs:complexType>
      <xs:sequence>
        <xs:element name="ground" type="Code" minOccurs="0"/>
        <xs:element name="text" type="Code" minOccurs="0"/>
        <xs:element name="palette" minOccurs="0" maxOccurs="unbounded">
          <xs:complexType>
            <xs:sequence>
              <xs:element name="colour" type="Named" maxOccurs="unbounded"/>
            </xs:sequence>
            <xs:attribute name="name" type="xs:string" use="required"/>
            <xs:attribute name="kind" type="Kind" use="required"/>
          </xs:complexType>
        </xs:element>
        <xs:element name="field" minOccurs="0" maxOccurs="unbounded">
          <xs:complexType>
            <xs:sequence>
              <xs:element name="value" minOccurs="0" maxOccurs="unbounded">
                <xs:complexType>
                  <xs:simpleContent>
                    <xs:extension base="xs:string">
                      <xs:attribute name="colour" type="Code" use="required"/>
                    </xs:extension>
                  </xs:simpleContent>
                </xs:complexType>
              </xs:element>
            </xs:sequence>
            <xs:attribute name="name" type="xs:string" use="required"/>
          </xs:complexType>
        </xs:element>
        <xs:element name="token" type="Named" minOccurs="0" maxOccurs="unbounded"/>
      </xs:sequence>
      <xs:attribute name="brand" type="xs:string" use="required"/>
      <xs:attribute name="theme" type="xs:string" use="required"/>
    </xs:complexType>
    <xs:unique name="onePaletteAName">
      <xs:selector xpath="d:palette"/>
      <xs:field xpath="@name"/>
    </xs:unique>
  </xs:element>
  <xs:complexType name="Named">
    <xs:simpleContent>
      <xs:extension base="Code">
        <xs:attribute name="name" type="xs:string" use="required"/>
      </xs:extension>
    </xs:simpleContent>
  </xs:complexType>
  <xs:simpleType name="Code">
    <xs:restriction base="xs:token">
      <xs:pattern value="#[0-9a-f]{6}([0-9a-f]{2})?"/>
    </xs:restriction>
  </xs:simpleType>
  <xs:simpleType name="Kind">
    <xs:restriction base="xs:token">
      <xs:enumeration value="categorical"/>
      <xs:enumeration value="sequential"/>
      <xs:enumeration value="diverging"/>
    </xs:restriction>
  </xs:simpleType>
</xs:schema>
`;

export const dashboardXml = defineFormat({
  id: 'dashboard-xml',
  title: 'Dashboard palettes (XML)',
  family: 'dashboard',
  extensions: ['.xml', '.xsd'],
  purpose:
    'For a dashboard tool whose palettes are kept in XML: copy the palettes over into its own file, by a transformation or by hand.',
  readBy: 'Dashboard tools with palettes in XML',
  reload: 'start',
  options: dashboardOptions,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { palettes, findings } = dashboardPalettes(brand, themes, options);
    const files = palettes.map(({ identifier, ...content }) =>
      textFile(`dashboard/${slug(brand.name)}-${identifier}.xml`, 'application/xml', document(content)),
    );
    return { files: [...files, textFile('dashboard/dashboard.xsd', 'application/xml', DASHBOARD_XSD)], findings };
  },
});

function document({ brand, theme, ground, text, palettes, fields, tokens }: DashboardPalettes): string {
  const lines = [
    ...(ground ? [`  <ground>${ground}</ground>`] : []),
    ...(text ? [`  <text>${text}</text>`] : []),
    ...palettes.flatMap(({ name, kind, colours }) => [
      `  <palette name="${escapeXml(name)}" kind="${kind}">`,
      ...colours.map((colour) => `    <colour name="${escapeXml(colour.name)}">${colour.value}</colour>`),
      '  </palette>',
    ]),
    ...fields.flatMap(({ name, values }) => [
      `  <field name="${escapeXml(name)}">`,
      ...values.map((value) => `    <value colour="${value.colour}">${escapeXml(value.text)}</value>`),
      '  </field>',
    ]),
    ...tokens.map(({ name, value }) => `  <token name="${escapeXml(name)}">${value}</token>`),
  ];
  const open = `<dashboard xmlns="urn:breakwater:dashboard:1" brand="${escapeXml(brand)}" theme="${escapeXml(theme)}">`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n${open}\n${lines.join('\n')}\n</dashboard>\n`;
}
