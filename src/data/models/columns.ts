import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize';

type Column = ModelAttributeColumnOptions;

/** Kinds of column; each call makes its own, because Sequelize writes into what it is given. */
export const id = (): Column => ({ type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true });
export const key = (type: Column['type'] = DataTypes.INTEGER): Column => ({ type, primaryKey: true });
export const whole = (): Column => ({ type: DataTypes.INTEGER, allowNull: false });
export const wholeOrNone = (): Column => ({ type: DataTypes.INTEGER });
export const text = (): Column => ({ type: DataTypes.TEXT, allowNull: false });
export const textOrNone = (): Column => ({ type: DataTypes.TEXT });
export const json = (): Column => ({ type: DataTypes.JSON, allowNull: false });
export const flag = (): Column => ({ type: DataTypes.BOOLEAN, allowNull: false });
export const real = (): Column => ({ type: DataTypes.REAL });
