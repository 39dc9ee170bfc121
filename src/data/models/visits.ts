import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { key, text, textOrNone, whole } from './columns';

export function defineVisitModels(sequelize: Sequelize) {
  class VisitRow extends Model<InferAttributes<VisitRow>, InferCreationAttributes<VisitRow>> {
    declare id: string;
    declare startedAt: number;
    declare lastAt: number;
    declare day: string;
    declare device: string;
    declare source: string;
    declare depth: number;
    declare excluded: CreationOptional<string | null>;
    declare revenueMinor: number;
  }

  class VisitPieceRow extends Model<InferAttributes<VisitPieceRow>, InferCreationAttributes<VisitPieceRow>> {
    declare visitId: string;
    declare pieceId: string;
    declare day: string;
  }

  class EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
    declare id: string;
    declare visitId: string;
    declare at: number;
    declare kind: string;
    declare page: CreationOptional<string | null>;
    declare product: CreationOptional<string | null>;
    declare piece: CreationOptional<string | null>;
  }

  VisitRow.init(
    {
      id: key(DataTypes.TEXT),
      startedAt: whole(),
      lastAt: whole(),
      day: text(),
      device: text(),
      source: text(),
      depth: whole(),
      excluded: textOrNone(),
      revenueMinor: whole(),
    },
    { sequelize, tableName: 'visits' },
  );
  VisitPieceRow.init(
    { visitId: key(DataTypes.TEXT), pieceId: key(DataTypes.TEXT), day: text() },
    { sequelize, tableName: 'visit_pieces' },
  );
  EventRow.init(
    {
      id: key(DataTypes.TEXT),
      visitId: text(),
      at: whole(),
      kind: text(),
      page: textOrNone(),
      product: textOrNone(),
      piece: textOrNone(),
    },
    { sequelize, tableName: 'events' },
  );
  return { VisitRow, VisitPieceRow, EventRow };
}
