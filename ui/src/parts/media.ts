import { createContext } from 'react';
import type { Schema } from '../api/client';

export type Medium = Schema['Medium'];

/** Pictures, sound and film by the name that texts call them. */
export const MediaContext = createContext<Record<string, Medium>>({});
