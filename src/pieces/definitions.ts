import type { PieceDefinition, Role, Situation } from '~/core/lane';
import { addedPopup } from './added-popup/definition';
import { addedPopupSituations } from './added-popup/situations';
import { betterOne } from './better-one/definition';
import { buyBar } from './buy-bar/definition';
import { buyBarSituations } from './buy-bar/situations';
import { buyLink } from './buy-link/definition';
import { buyLinkSituations } from './buy-link/situations';
import { cartOpener } from './cart-opener/definition';
import { cartOpenerSituations } from './cart-opener/situations';
import { cartPage } from './cart-page/definition';
import { cartPageSituations } from './cart-page/situations';
import { cartSurface } from './cart-surface/definition';
import { cartSurfaceSituations } from './cart-surface/situations';
import { checkout } from './checkout/definition';
import { checkoutSituations } from './checkout/situations';
import { compare } from './compare/definition';
import { compareSituations } from './compare/situations';
import { goesWith } from './goes-with/definition';
import { lineEditor } from './line-editor/definition';
import { lineEditorSituations } from './line-editor/situations';
import { listing } from './listing/definition';
import { listingSituations } from './listing/situations';
import { orderForm } from './order-form/definition';
import { orderFormSituations } from './order-form/situations';
import { productOptions } from './product-options/definition';
import { productOptionsSituations } from './product-options/situations';
import { quickView } from './quick-view/definition';
import { quickViewSituations } from './quick-view/situations';
import { related } from './related/definition';
import { text } from './text/definition';
import { textSituations } from './text/situations';
import { thanksPage } from './thanks-page/definition';
import { thanksPageSituations } from './thanks-page/situations';

interface RegisteredPiece {
  readonly definition: PieceDefinition;
  readonly situations: readonly Situation[];
}

/** Every kind of piece there is: one line each. The runtime keeps the matching map of views. */
const REGISTERED: readonly RegisteredPiece[] = [
  { definition: listing, situations: listingSituations },
  { definition: quickView, situations: quickViewSituations },
  { definition: text, situations: textSituations },
  { definition: orderForm, situations: orderFormSituations },
  { definition: compare, situations: compareSituations },
  { definition: goesWith, situations: listingSituations },
  { definition: related, situations: listingSituations },
  { definition: betterOne, situations: listingSituations },
  { definition: productOptions, situations: productOptionsSituations },
  { definition: buyBar, situations: buyBarSituations },
  { definition: buyLink, situations: buyLinkSituations },
  { definition: addedPopup, situations: addedPopupSituations },
  { definition: cartOpener, situations: cartOpenerSituations },
  { definition: cartSurface, situations: cartSurfaceSituations },
  { definition: lineEditor, situations: lineEditorSituations },
  { definition: cartPage, situations: cartPageSituations },
  { definition: checkout, situations: checkoutSituations },
  { definition: thanksPage, situations: thanksPageSituations },
];

export const definitions: readonly PieceDefinition[] = REGISTERED.map((entry) => entry.definition);

export function definitionOf(kind: string): PieceDefinition | undefined {
  return definitions.find((definition) => definition.kind === kind);
}

/** The kind that others ask for by what it is there for. */
export function definitionWithRole(role: Role): PieceDefinition {
  return definitions.find((definition) => definition.role === role)!;
}

export function situationsOf(kind: string): readonly Situation[] {
  return REGISTERED.find((entry) => entry.definition.kind === kind)?.situations ?? [];
}
