import type { Sequelize } from 'sequelize';
import { defineAccountModels } from './accounts';
import { defineCatalogueModels } from './catalogue';
import { defineLaneModels } from './lanes';
import { defineVisitModels } from './visits';

/** Models of one database: made anew with each, for a model class belongs to the database it was last bound to. */
export function defineModels(sequelize: Sequelize) {
  return {
    ...defineCatalogueModels(sequelize),
    ...defineVisitModels(sequelize),
    ...defineLaneModels(sequelize),
    ...defineAccountModels(sequelize),
  };
}

export type Models = ReturnType<typeof defineModels>;
