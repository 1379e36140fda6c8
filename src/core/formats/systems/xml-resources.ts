import { marked } from '../kit/marks';
import { escapeXml } from '../../base/escape-xml';
import { casing, chosen, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { byte } from '../../colour/read';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

/** XML 1.0, W3C XML Schema 1.0: the shape of every file this format writes. */
export const RESOURCES_XSD = `<?xml version="1.0" encoding="UTF-8"?>
<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns="urn:breakwater:resources:1"
    targetNamespace="urn:breakwater:resources:1" elementFormDefault="qualified">
  <xs:element name="resources">
    <xs:complexType>
      <xs:sequence>
        <xs:element name="colour" minOccurs="0" maxOccurs="unbounded">
          <xs:complexType>
            <xs:simpleContent>
              <xs:extension base="Rgb">
                <xs:attribute name="name" type="xs:string" use="required"/>
                <xs:attribute name="opacity" type="Opacity" default="255"/>
              </xs:extension>
            </xs:simpleContent>
          </xs:complexType>
        </xs:element>
      </xs:sequence>
      <xs:attribute name="brand" type="xs:string" use="required"/>
      <xs:attribute name="theme" type="xs:string" use="required"/>
    </xs:complexType>
    <xs:unique name="uniqueName">
      <xs:selector xpath="*"/>
      <xs:field xpath="@name"/>
    </xs:unique>
  </xs:element>
  <xs:simpleType name="Rgb">
    <xs:restriction base="xs:token">
      <xs:pattern value="#[0-9a-f]{6}"/>
    </xs:restriction>
  </xs:simpleType>
  <xs:simpleType name="Opacity">
    <xs:restriction base="xs:unsignedByte"/>
  </xs:simpleType>
</xs:schema>
`;

export const xmlResources = defineFormat({
  id: 'xml-resources',
  title: 'Interface resources (XML)',
  family: 'interface',
  extensions: ['.xml', '.xsd'],
  purpose: 'For a software interface: one resource file a theme, with the schema it keeps to. The program reads it at start.',
  readBy: 'Programs with resources in XML',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('path', 'kebab', 'snake', 'camel') }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const files = shipped.map(({ theme, identifier, tokens }) => {
      const lines = tokens.map((token) => {
        const { identifier: resource, colour } = token;
        const opacity = colour.alpha < 1 ? ` opacity="${byte(colour.alpha)}"` : '';
        return `  <colour name="${escapeXml(resource)}"${opacity}>${marked(token, colour.hex)}</colour>`;
      });
      const open = `<resources xmlns="urn:breakwater:resources:1" brand="${escapeXml(brand.name)}" theme="${escapeXml(theme.name)}">`;
      const text = `<?xml version="1.0" encoding="UTF-8"?>\n${open}\n${lines.join('\n')}\n</resources>\n`;
      return textFile(`interface/${slug(brand.name)}-${identifier}.xml`, 'application/xml', text);
    });
    return { files: [...files, textFile('interface/resources.xsd', 'application/xml', RESOURCES_XSD)], findings };
  },
});
