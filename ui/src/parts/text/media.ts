import { createContext } from 'react';
import type { Schema } from '../../api/client';

export type Medium = Schema['Medium'];

/** A page for reading, as texts refer to it. */
export interface ReadPage {
  heading: string | null;
  reads: string;
}

/** Pages by the name that texts call them. */
export const PagesContext = createContext<Record<string, ReadPage>>({});

/** Pictures, sound and film by the name that texts call them. */
export const MediaContext = createContext<Record<string, Medium>>({});

/** Whether it is heard or watched. */
export const isPlayed = ({ type }: Medium) => /^(audio|video)\//.test(type);
