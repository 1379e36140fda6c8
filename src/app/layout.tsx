import '@fontsource-variable/archivo/wdth.css';
import '@fontsource-variable/martian-mono/wdth.css';
import '@/ui/looks/surround.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { currentPerson } from '@/server/people/session';
import { Providers } from '@/ui/looks/providers';

export const metadata: Metadata = { title: 'Breakwater', description: 'Define once; identical everywhere; provably so.' };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  const person = await currentPerson();
  return (
    <html lang="en" data-surround={person?.preferences.surround ?? 'paper'}>
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
