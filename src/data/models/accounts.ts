import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { id, json, text, whole, wholeOrNone } from './columns';

export function defineAccountModels(sequelize: Sequelize) {
  class AccountRow extends Model<InferAttributes<AccountRow>, InferCreationAttributes<AccountRow>> {
    declare id: CreationOptional<number>;
    declare email: string;
    declare name: string;
    declare role: string;
    declare passwordHash: string;
    declare removedAt: CreationOptional<number | null>;
  }

  class AuditEntryRow extends Model<InferAttributes<AuditEntryRow>, InferCreationAttributes<AuditEntryRow>> {
    declare id: CreationOptional<number>;
    declare at: number;
    declare accountId: CreationOptional<number | null>;
    declare action: string;
    declare facts: unknown;
  }

  AccountRow.init(
    { id: id(), email: text(), name: text(), role: text(), passwordHash: text(), removedAt: wholeOrNone() },
    { sequelize, tableName: 'accounts' },
  );
  AuditEntryRow.init(
    { id: id(), at: whole(), accountId: wholeOrNone(), action: text(), facts: json() },
    { sequelize, tableName: 'audit_entries' },
  );
  return { AccountRow, AuditEntryRow };
}
