import type { Brand } from '@/core/brand/document/document';
import { pageOf } from '@/core/brand/reading/elevation';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import type { ChartLook } from './chart';

/** What charts can stand on: the theme's page, or what they are printed and projected on. */
export const GROUNDS = ['theme', 'paper', 'ink'] as const;

const PLAIN = { paper: '#ffffff', ink: '#111111' } as const;

export function groundColours(brand: Brand, theme: string, on: (typeof GROUNDS)[number]): ChartLook {
  const page = on === 'theme' ? pageOf(brand) : undefined;
  const ground = on === 'theme' ? page && resolveTheme(brand, theme).get(page.id)?.colour?.hex : PLAIN[on];
  return { ground: ground ?? PLAIN.paper, ink: inkOn(readColour(ground ?? PLAIN.paper)!) };
}
