import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';

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

export function defineVisitModels(sequelize: Sequelize) {
  VisitRow.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      startedAt: { type: DataTypes.INTEGER, allowNull: false },
      lastAt: { type: DataTypes.INTEGER, allowNull: false },
      day: { type: DataTypes.TEXT, allowNull: false },
      device: { type: DataTypes.TEXT, allowNull: false },
      source: { type: DataTypes.TEXT, allowNull: false },
      depth: { type: DataTypes.INTEGER, allowNull: false },
      excluded: { type: DataTypes.TEXT },
      revenueMinor: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'visits' },
  );
  VisitPieceRow.init(
    {
      visitId: { type: DataTypes.TEXT, primaryKey: true },
      pieceId: { type: DataTypes.TEXT, primaryKey: true },
      day: { type: DataTypes.TEXT, allowNull: false },
    },
    { sequelize, tableName: 'visit_pieces' },
  );
  EventRow.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      visitId: { type: DataTypes.TEXT, allowNull: false },
      at: { type: DataTypes.INTEGER, allowNull: false },
      kind: { type: DataTypes.TEXT, allowNull: false },
      page: { type: DataTypes.TEXT },
      product: { type: DataTypes.TEXT },
      piece: { type: DataTypes.TEXT },
    },
    { sequelize, tableName: 'events' },
  );
  return { VisitRow, VisitPieceRow, EventRow };
}
