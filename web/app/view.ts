import type { ComponentType } from 'react';

/** One view of the program: all that addresses, frame, keys and help need to know of it. */
export interface View {
  /** Its number after `g`; views keep their number whatever is added between them. */
  readonly number: number;
  readonly name: string;
  /** First part of its address. */
  readonly segment: string;
  /** A view of one bow has the bow's id behind it; without one it leads to the last bow. */
  readonly ofOneBow: boolean;
  /** Further addresses of the same page, behind its first part. */
  readonly also?: readonly string[];
  /** A tap anywhere on it means something: what is opened over it swallows the tap that closes it. */
  readonly tapsCount?: boolean;
  /** Its page, or how it is fetched when it is first opened. */
  readonly page: ComponentType | { readonly fetch: () => Promise<ComponentType> };
}

/** Where a view is, for a bow or for whichever was last. */
export function viewPath({ segment, ofOneBow }: View, bowId: string | null): string {
  return ofOneBow && bowId !== null ? `/${segment}/${bowId}` : `/${segment}`;
}

/** The view an address belongs to. */
export function viewAt(views: readonly View[], pathname: string): View | undefined {
  const [, first] = pathname.split('/');
  return views.find(({ segment }) => segment === first);
}
