import { create } from 'zustand';

/** A picture kept on the server. */
export interface KeptPicture {
  readonly picture: string;
  readonly name: string;
}

/** The kept picture that somebody wants to look at again; Gather takes it up. */
export const useWantedPicture = create<{ wanted: KeptPicture | null }>(() => ({ wanted: null }));
