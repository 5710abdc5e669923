import type { RouteLocationRaw } from 'vue-router';
import type { PlaceUse } from './blocks';

/** What is open in the Pages area. */
export interface Place {
  /** Id of the type or taxonomy; empty for the home page, and for parts of no type. */
  type: string;
  use: PlaceUse;
  /** Id of the layout, part or look; empty where the layout is derived. */
  definition: string;
}

/** Where a place is found. */
export function addressOf(workspace: string, { type, use, definition }: Place): RouteLocationRaw {
  return {
    name: 'pages',
    params: { workspace },
    query: { of: type, use, ...(definition ? { layout: definition } : {}) },
  };
}
