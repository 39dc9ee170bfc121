import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';

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

export function defineLaneModels(sequelize: Sequelize) {
  LaneDraftRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      document: { type: DataTypes.JSON, allowNull: false },
      edit: { type: DataTypes.INTEGER, allowNull: false },
      token: { type: DataTypes.TEXT, allowNull: false },
      updatedAt: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'lane_draft' },
  );
  LaneRevisionRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      document: { type: DataTypes.JSON, allowNull: false },
      manifest: { type: DataTypes.JSON, allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      accountId: { type: DataTypes.INTEGER },
      publishedAt: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'lane_revisions' },
  );
  return { LaneDraftRow, LaneRevisionRow };
}
