import { isClosable } from './controls';
import type { PageMeasure } from './page-measure';
import type { Found } from './problem';

export function findNoClose(page: PageMeasure): Found[] {
  return page.surfaces.flatMap((surface): Found[] =>
    surface.isModal && !isClosable(surface, page) ? [{ check: 'no-close', at: surface.at, box: surface.box }] : [],
  );
}

export function findUnannounced({ surfaces }: PageMeasure): Found[] {
  return surfaces.flatMap(({ at, box, isAnnounced }): Found[] =>
    isAnnounced ? [] : [{ check: 'unannounced', at, box }],
  );
}

export function findHoldsTab({ surfaces }: PageMeasure): Found[] {
  return surfaces.flatMap(({ at, box, holdsTab }): Found[] => (holdsTab ? [{ check: 'holds-tab', at, box }] : []));
}

export function findSeveral({ surfaces }: PageMeasure): Found[] {
  const [first, ...others] = surfaces;
  return first && others.length > 0
    ? [{ check: 'several', at: first.at, box: first.box, others: others.map(({ at }) => at) }]
    : [];
}
