import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { flag, id, json, key, real, text, textOrNone, whole, wholeOrNone } from './columns';

function defineGoodsModels(sequelize: Sequelize) {
  class ProductRow extends Model<InferAttributes<ProductRow>, InferCreationAttributes<ProductRow>> {
    declare id: CreationOptional<number>;
    declare slug: string;
    declare name: string;
    declare brand: string;
    declare shortText: string;
    declare fullText: string;
    declare fulfilment: string;
    declare axes: string[];
    declare videoSrc: CreationOptional<string | null>;
    declare isShown: boolean;
    declare createdDay: string;
    declare soldCount: number;
    declare fromMinor: number;
    declare toMinor: number;
    declare inStock: boolean;
    declare ratingStars: CreationOptional<number | null>;
    declare ratingCount: number;
    declare options: unknown;
  }

  class ImageRow extends Model<InferAttributes<ImageRow>, InferCreationAttributes<ImageRow>> {
    declare id: CreationOptional<number>;
    declare productId: number;
    declare src: string;
    declare alt: string;
    declare position: number;
  }

  class VariantRow extends Model<InferAttributes<VariantRow>, InferCreationAttributes<VariantRow>> {
    declare id: CreationOptional<number>;
    declare productId: number;
    declare sku: string;
    declare choices: Record<string, string>;
    declare priceMinor: number;
    declare wasMinor: CreationOptional<number | null>;
    declare costMinor: CreationOptional<number | null>;
    declare weightGrams: number;
    declare imageSrc: CreationOptional<string | null>;
    declare position: number;
  }

  class StockLevelRow extends Model<InferAttributes<StockLevelRow>, InferCreationAttributes<StockLevelRow>> {
    declare variantId: number;
    declare quantity: number;
  }

  ProductRow.init(
    {
      id: id(),
      slug: text(),
      name: text(),
      brand: text(),
      shortText: text(),
      fullText: text(),
      fulfilment: text(),
      axes: json(),
      videoSrc: textOrNone(),
      isShown: flag(),
      createdDay: text(),
      soldCount: whole(),
      fromMinor: whole(),
      toMinor: whole(),
      inStock: flag(),
      ratingStars: real(),
      ratingCount: whole(),
      options: json(),
    },
    { sequelize, tableName: 'products' },
  );
  ImageRow.init(
    { id: id(), productId: whole(), src: text(), alt: text(), position: whole() },
    { sequelize, tableName: 'images' },
  );
  VariantRow.init(
    {
      id: id(),
      productId: whole(),
      sku: text(),
      choices: json(),
      priceMinor: whole(),
      wasMinor: wholeOrNone(),
      costMinor: wholeOrNone(),
      weightGrams: whole(),
      imageSrc: textOrNone(),
      position: whole(),
    },
    { sequelize, tableName: 'variants' },
  );
  StockLevelRow.init({ variantId: key(), quantity: whole() }, { sequelize, tableName: 'stock_levels' });
  return { ProductRow, ImageRow, VariantRow, StockLevelRow };
}

/** What products are found by, said to be, and have cost. */
function defineFactModels(sequelize: Sequelize) {
  class PriceChangeRow extends Model<InferAttributes<PriceChangeRow>, InferCreationAttributes<PriceChangeRow>> {
    declare id: CreationOptional<number>;
    declare variantId: number;
    declare priceMinor: number;
    declare changedAt: number;
  }

  class CategoryRow extends Model<InferAttributes<CategoryRow>, InferCreationAttributes<CategoryRow>> {
    declare id: CreationOptional<number>;
    declare slug: string;
    declare name: string;
    declare description: string;
    declare parentId: CreationOptional<number | null>;
    declare imageSrc: CreationOptional<string | null>;
    declare position: number;
  }

  class ProductCategoryRow extends Model<
    InferAttributes<ProductCategoryRow>,
    InferCreationAttributes<ProductCategoryRow>
  > {
    declare productId: number;
    declare categoryId: number;
  }

  class TagRow extends Model<InferAttributes<TagRow>, InferCreationAttributes<TagRow>> {
    declare productId: number;
    declare name: string;
  }

  class AttributeRow extends Model<InferAttributes<AttributeRow>, InferCreationAttributes<AttributeRow>> {
    declare productId: number;
    declare key: string;
    declare value: string;
    declare position: number;
  }

  class ReviewRow extends Model<InferAttributes<ReviewRow>, InferCreationAttributes<ReviewRow>> {
    declare id: CreationOptional<number>;
    declare productId: number;
    declare author: string;
    declare stars: number;
    declare text: string;
    declare day: string;
  }

  PriceChangeRow.init(
    { id: id(), variantId: whole(), priceMinor: whole(), changedAt: whole() },
    { sequelize, tableName: 'price_changes' },
  );
  CategoryRow.init(
    {
      id: id(),
      slug: text(),
      name: text(),
      description: text(),
      parentId: wholeOrNone(),
      imageSrc: textOrNone(),
      position: whole(),
    },
    { sequelize, tableName: 'categories' },
  );
  ProductCategoryRow.init({ productId: key(), categoryId: key() }, { sequelize, tableName: 'product_categories' });
  TagRow.init({ productId: key(), name: key(DataTypes.TEXT) }, { sequelize, tableName: 'tags' });
  AttributeRow.init(
    { productId: key(), key: key(DataTypes.TEXT), value: text(), position: whole() },
    { sequelize, tableName: 'attributes' },
  );
  ReviewRow.init(
    { id: id(), productId: whole(), author: text(), stars: whole(), text: text(), day: text() },
    { sequelize, tableName: 'reviews' },
  );
  return { PriceChangeRow, CategoryRow, ProductCategoryRow, TagRow, AttributeRow, ReviewRow };
}

export const defineCatalogueModels = (sequelize: Sequelize) => ({
  ...defineGoodsModels(sequelize),
  ...defineFactModels(sequelize),
});
