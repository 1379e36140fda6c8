import { markedNumbers } from '../kit/marks';
import { about } from '../kit/options';
import { linearFloats } from '../../colour/notations';
import { chosen, prefix } from '../kit/choices';
import { depthOptions, withinDepth } from '../kit/colour-depth';
import { slug } from '../../base/words';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

/** glTF 2.0, 3.9 Materials: base colours are linear. */
export const gltf = defineFormat({
  id: 'gltf',
  title: 'Materials (glTF 2.0)',
  family: 'game engine',
  extensions: ['.gltf'],
  purpose: 'For a game engine or a modelling program: import the file; it holds a plain material for every colour and no shapes.',
  readBy: 'Engines and modelling programs, as materials',
  reload: 'import',
  options: z.strictObject({
    prefix,
    ...chosen,
    rough: z
      .number()
      .min(0, 'Roughness is from 0 to 1.')
      .max(1, 'Roughness is from 0 to 1.')
      .default(1)
      .meta(about({ title: 'Roughness, 0 to 1', description: '1' })),
    metal: z
      .number()
      .min(0, 'Metal is from 0 to 1.')
      .max(1, 'Metal is from 0 to 1.')
      .default(0)
      .meta(about({ title: 'Metal, 0 to 1', description: '0' })),
    ...depthOptions,
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = withinDepth(material(brand, themes, { ...options, naming: 'path' }), options);
    const files = shipped.map((theme) => {
      const document = {
        asset: { version: '2.0', generator: 'Breakwater' },
        materials: theme.tokens.map((token) => {
          const { identifier, colour } = token;
          return {
            name: identifier,
            pbrMetallicRoughness: {
              baseColorFactor: markedNumbers(token, [...linearFloats(colour), Number(colour.alpha.toFixed(6))]),
              metallicFactor: options.metal,
              roughnessFactor: options.rough,
            },
            ...(colour.alpha < 1 && { alphaMode: 'BLEND' }),
          };
        }),
      };
      return textFile(
        `gltf/${slug(brand.name)}-${theme.identifier}.gltf`,
        'model/gltf+json',
        JSON.stringify(document, null, 2) + '\n',
      );
    });
    return { files, findings };
  },
});
