import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';

class CartRow extends Model<InferAttributes<CartRow>, InferCreationAttributes<CartRow>> {
  declare id: CreationOptional<number>;
  declare token: string;
  declare updatedAt: number;
}

class CartLineRow extends Model<InferAttributes<CartLineRow>, InferCreationAttributes<CartLineRow>> {
  declare id: string;
  declare cartId: number;
  declare variantId: number;
  declare quantity: number;
  declare position: number;
}

class OrderRow extends Model<InferAttributes<OrderRow>, InferCreationAttributes<OrderRow>> {
  declare id: CreationOptional<number>;
  declare token: string;
  declare idempotencyKey: string;
  declare requestHash: string;
  declare status: string;
  declare email: string;
  declare name: string;
  declare address: unknown;
  declare delivery: string;
  declare currency: string;
  declare subtotalMinor: number;
  declare discountMinor: number;
  declare deliveryMinor: number;
  declare taxMinor: number;
  declare totalMinor: number;
  declare steps: unknown;
  declare laneRevision: number;
  declare visitId: CreationOptional<string | null>;
  declare paymentReference: CreationOptional<string | null>;
  declare placedAt: number;
  declare day: string;
}

class OrderLineRow extends Model<InferAttributes<OrderLineRow>, InferCreationAttributes<OrderLineRow>> {
  declare id: CreationOptional<number>;
  declare orderId: number;
  declare variantId: CreationOptional<number | null>;
  declare sku: string;
  declare name: string;
  declare choices: string;
  declare quantity: number;
  declare unitMinor: number;
  declare totalMinor: number;
  declare costMinor: CreationOptional<number | null>;
  declare steps: unknown;
}

export function defineSaleModels(sequelize: Sequelize) {
  CartRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      token: { type: DataTypes.TEXT, allowNull: false },
      updatedAt: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'carts' },
  );
  CartLineRow.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      cartId: { type: DataTypes.INTEGER, allowNull: false },
      variantId: { type: DataTypes.INTEGER, allowNull: false },
      quantity: { type: DataTypes.INTEGER, allowNull: false },
      position: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'cart_lines' },
  );
  OrderRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      token: { type: DataTypes.TEXT, allowNull: false },
      idempotencyKey: { type: DataTypes.TEXT, allowNull: false },
      requestHash: { type: DataTypes.TEXT, allowNull: false },
      status: { type: DataTypes.TEXT, allowNull: false },
      email: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      address: { type: DataTypes.JSON, allowNull: false },
      delivery: { type: DataTypes.TEXT, allowNull: false },
      currency: { type: DataTypes.TEXT, allowNull: false },
      subtotalMinor: { type: DataTypes.INTEGER, allowNull: false },
      discountMinor: { type: DataTypes.INTEGER, allowNull: false },
      deliveryMinor: { type: DataTypes.INTEGER, allowNull: false },
      taxMinor: { type: DataTypes.INTEGER, allowNull: false },
      totalMinor: { type: DataTypes.INTEGER, allowNull: false },
      steps: { type: DataTypes.JSON, allowNull: false },
      laneRevision: { type: DataTypes.INTEGER, allowNull: false },
      visitId: { type: DataTypes.TEXT },
      paymentReference: { type: DataTypes.TEXT },
      placedAt: { type: DataTypes.INTEGER, allowNull: false },
      day: { type: DataTypes.TEXT, allowNull: false },
    },
    { sequelize, tableName: 'orders' },
  );
  OrderLineRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      orderId: { type: DataTypes.INTEGER, allowNull: false },
      variantId: { type: DataTypes.INTEGER },
      sku: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      choices: { type: DataTypes.TEXT, allowNull: false },
      quantity: { type: DataTypes.INTEGER, allowNull: false },
      unitMinor: { type: DataTypes.INTEGER, allowNull: false },
      totalMinor: { type: DataTypes.INTEGER, allowNull: false },
      costMinor: { type: DataTypes.INTEGER },
      steps: { type: DataTypes.JSON, allowNull: false },
    },
    { sequelize, tableName: 'order_lines' },
  );
  return { CartRow, CartLineRow, OrderRow, OrderLineRow };
}
