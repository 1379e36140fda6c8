import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react';

/** The chrome has no colour of its own: every semantic colour is one of the surround's greys (see surround.css). */
const neutral = (variable: string) => ({ value: `var(--${variable})` });
const hueless = {
  contrast: neutral('ground'),
  fg: neutral('ink'),
  subtle: neutral('hover'),
  muted: neutral('line'),
  emphasized: neutral('line'),
  solid: neutral('ink'),
  focusRing: neutral('ink'),
  border: neutral('line'),
};

export const system = createSystem(
  defaultConfig,
  defineConfig({
    globalCss: { html: { colorPalette: 'gray' } },
    theme: {
      tokens: {
        fonts: {
          body: { value: "'Archivo Variable', sans-serif" },
          heading: { value: "'Archivo Variable', sans-serif" },
          mono: { value: "'Martian Mono Variable', monospace" },
        },
      },
      semanticTokens: {
        colors: {
          bg: {
            DEFAULT: neutral('ground'),
            subtle: neutral('hover'),
            muted: neutral('hover'),
            emphasized: neutral('line'),
            inverted: neutral('ink'),
            panel: neutral('raise'),
            error: neutral('hover'),
          },
          fg: {
            DEFAULT: neutral('ink'),
            muted: neutral('soft'),
            subtle: neutral('soft'),
            inverted: neutral('ground'),
            error: neutral('ink'),
          },
          border: {
            DEFAULT: neutral('line'),
            muted: neutral('line'),
            subtle: neutral('line'),
            emphasized: neutral('soft'),
            inverted: neutral('ground'),
            error: neutral('ink'),
          },
          gray: hueless,
          red: hueless,
        },
        radii: { l1: { value: '0' }, l2: { value: '0' }, l3: { value: '0' } },
        shadows: {
          xs: { value: 'none' },
          sm: { value: 'none' },
          md: { value: '0 0 0 1px var(--ink)' },
          lg: { value: '0 0 0 1px var(--ink)' },
        },
      },
    },
  }),
);
