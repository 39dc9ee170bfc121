import { createContext } from 'react';

/** The shop's categories, for controls that let one be chosen. */
export const CategoriesContext = createContext<readonly { readonly slug: string; readonly name: string }[]>([]);
