import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { id, json, text, whole, wholeOrNone } from './columns';

export function defineLaneModels(sequelize: Sequelize) {
  class LaneDraftRow extends Model<InferAttributes<LaneDraftRow>, InferCreationAttributes<LaneDraftRow>> {
    declare id: CreationOptional<number>;
    declare document: unknown;
    declare edit: number;
    declare token: string;
    declare updatedAt: number;
  }

  class LaneRevisionRow extends Model<InferAttributes<LaneRevisionRow>, InferCreationAttributes<LaneRevisionRow>> {
    declare id: CreationOptional<number>;
    declare document: unknown;
    declare manifest: unknown;
    declare note: string;
    declare accountId: CreationOptional<number | null>;
    declare publishedAt: number;
  }

  LaneDraftRow.init(
    { id: id(), document: json(), edit: whole(), token: text(), updatedAt: whole() },
    { sequelize, tableName: 'lane_draft' },
  );
  LaneRevisionRow.init(
    { id: id(), document: json(), manifest: json(), note: text(), accountId: wholeOrNone(), publishedAt: whole() },
    { sequelize, tableName: 'lane_revisions' },
  );
  return { LaneDraftRow, LaneRevisionRow };
}
