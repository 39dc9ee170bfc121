import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';

class AccountRow extends Model<InferAttributes<AccountRow>, InferCreationAttributes<AccountRow>> {
  declare id: CreationOptional<number>;
  declare email: string;
  declare name: string;
  declare role: string;
  declare passwordHash: string;
}

class SignInRow extends Model<InferAttributes<SignInRow>, InferCreationAttributes<SignInRow>> {
  declare tokenHash: string;
  declare accountId: number;
  declare expiresAt: number;
}

class AuditEntryRow extends Model<InferAttributes<AuditEntryRow>, InferCreationAttributes<AuditEntryRow>> {
  declare id: CreationOptional<number>;
  declare at: number;
  declare accountId: CreationOptional<number | null>;
  declare action: string;
  declare facts: unknown;
}

export function defineAccountModels(sequelize: Sequelize) {
  AccountRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      email: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      role: { type: DataTypes.TEXT, allowNull: false },
      passwordHash: { type: DataTypes.TEXT, allowNull: false },
    },
    { sequelize, tableName: 'accounts' },
  );
  SignInRow.init(
    {
      tokenHash: { type: DataTypes.TEXT, primaryKey: true },
      accountId: { type: DataTypes.INTEGER, allowNull: false },
      expiresAt: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'sign_ins' },
  );
  AuditEntryRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      at: { type: DataTypes.INTEGER, allowNull: false },
      accountId: { type: DataTypes.INTEGER },
      action: { type: DataTypes.TEXT, allowNull: false },
      facts: { type: DataTypes.JSON, allowNull: false },
    },
    { sequelize, tableName: 'audit_entries' },
  );
  return { AccountRow, SignInRow, AuditEntryRow };
}
