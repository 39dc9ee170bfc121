import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { flag, id, json, text, textOrNone, whole, wholeOrNone } from './columns';

export function defineSaleModels(sequelize: Sequelize) {
  class CartRow extends Model<InferAttributes<CartRow>, InferCreationAttributes<CartRow>> {
    declare id: CreationOptional<number>;
    declare token: string;
    declare updatedAt: number;
    declare version: number;
    declare lines: unknown;
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
    declare coupon: CreationOptional<string | null>;
    declare note: string;
    declare mailedAt: CreationOptional<number | null>;
    declare cartToken: CreationOptional<string | null>;
    declare cartVersion: CreationOptional<number | null>;
    declare language: string;
    declare deliveryName: string;
    declare deliveryDays: string;
    declare taxIncluded: boolean;
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
    declare answers: unknown;
    declare addOns: unknown;
  }

  CartRow.init(
    { id: id(), token: text(), updatedAt: whole(), version: whole(), lines: json() },
    { sequelize, tableName: 'carts' },
  );
  OrderRow.init(
    {
      id: id(),
      token: text(),
      idempotencyKey: text(),
      requestHash: text(),
      status: text(),
      email: text(),
      name: text(),
      address: json(),
      delivery: text(),
      currency: text(),
      subtotalMinor: whole(),
      discountMinor: whole(),
      deliveryMinor: whole(),
      taxMinor: whole(),
      totalMinor: whole(),
      steps: json(),
      laneRevision: whole(),
      visitId: textOrNone(),
      paymentReference: textOrNone(),
      placedAt: whole(),
      day: text(),
      coupon: textOrNone(),
      note: text(),
      mailedAt: wholeOrNone(),
      cartToken: textOrNone(),
      cartVersion: wholeOrNone(),
      language: text(),
      deliveryName: text(),
      deliveryDays: text(),
      taxIncluded: flag(),
    },
    { sequelize, tableName: 'orders' },
  );
  OrderLineRow.init(
    {
      id: id(),
      orderId: whole(),
      variantId: wholeOrNone(),
      sku: text(),
      name: text(),
      choices: text(),
      quantity: whole(),
      unitMinor: whole(),
      totalMinor: whole(),
      costMinor: wholeOrNone(),
      steps: json(),
      answers: json(),
      addOns: json(),
    },
    { sequelize, tableName: 'order_lines' },
  );
  return { CartRow, OrderRow, OrderLineRow };
}
