import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { authorise } from '@/server/brands/brands';
import { buildId } from '@/server/http/build-id';
import { loadBrand } from '@/server/log/documents';
import { Refused } from '@/server/http/refused';
import { placeOf } from '@/server/people/organisations';
import { latestRelease, waitingSince } from '@/server/releases/releases';
import { currentPerson } from '@/server/people/session';
import { BrandProvider } from '@/ui/store/brand-context';
import type { Opening } from '@/ui/store/brand-state';
import { Frame } from '@/ui/frame/frame';
import { Stage } from './stage';

export default async function BrandLayout({ params, children }: { params: Promise<{ brand: string }>; children: ReactNode }) {
  const person = await currentPerson();
  if (!person) redirect(`/sign-in?to=${encodeURIComponent((await headers()).get('x-path') ?? '')}`);
  const { brand: id } = await params;
  const opening = await open(id);
  return (
    <BrandProvider opening={JSON.stringify(opening)}>
      <Frame surround={person.preferences.surround ?? 'paper'} guideHidden={person.preferences.guideHidden ?? false}>
        <Stage />
        {children}
      </Frame>
    </BrandProvider>
  );

  async function open(brandId: string): Promise<Opening> {
    try {
      const role = await authorise(person!, brandId, 'read');
      const { brand, seq } = await loadBrand(brandId);
      const { organisation, archived } = await placeOf(person!, brandId);
      return {
        brand,
        seq,
        // What is archived takes no edit from anybody.
        role: archived ? 'viewer' : role,
        organisation,
        archived,
        release: await latestRelease(brandId),
        person: { id: person!.id, name: person!.name },
        build: buildId(),
        waitingSince: await waitingSince(brandId),
      };
    } catch (error) {
      if (error instanceof Refused) notFound();
      throw error;
    }
  }
}
