import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';

class CategoryRow extends Model<InferAttributes<CategoryRow>, InferCreationAttributes<CategoryRow>> {
  declare id: CreationOptional<number>;
  declare slug: string;
  declare name: string;
  declare description: string;
  declare parentId: CreationOptional<number | null>;
  declare imageSrc: CreationOptional<string | null>;
  declare position: number;
}

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

class PriceChangeRow extends Model<InferAttributes<PriceChangeRow>, InferCreationAttributes<PriceChangeRow>> {
  declare id: CreationOptional<number>;
  declare variantId: number;
  declare priceMinor: number;
  declare changedAt: number;
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

export function defineCatalogueModels(sequelize: Sequelize) {
  CategoryRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      slug: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      description: { type: DataTypes.TEXT, allowNull: false },
      parentId: { type: DataTypes.INTEGER },
      imageSrc: { type: DataTypes.TEXT },
      position: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'categories' },
  );
  ProductRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      slug: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      brand: { type: DataTypes.TEXT, allowNull: false },
      shortText: { type: DataTypes.TEXT, allowNull: false },
      fullText: { type: DataTypes.TEXT, allowNull: false },
      fulfilment: { type: DataTypes.TEXT, allowNull: false },
      axes: { type: DataTypes.JSON, allowNull: false },
      videoSrc: { type: DataTypes.TEXT },
      isShown: { type: DataTypes.BOOLEAN, allowNull: false },
      createdDay: { type: DataTypes.TEXT, allowNull: false },
      soldCount: { type: DataTypes.INTEGER, allowNull: false },
      fromMinor: { type: DataTypes.INTEGER, allowNull: false },
      toMinor: { type: DataTypes.INTEGER, allowNull: false },
      inStock: { type: DataTypes.BOOLEAN, allowNull: false },
      ratingStars: { type: DataTypes.REAL },
      ratingCount: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'products' },
  );
  ImageRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      productId: { type: DataTypes.INTEGER, allowNull: false },
      src: { type: DataTypes.TEXT, allowNull: false },
      alt: { type: DataTypes.TEXT, allowNull: false },
      position: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'images' },
  );
  VariantRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      productId: { type: DataTypes.INTEGER, allowNull: false },
      sku: { type: DataTypes.TEXT, allowNull: false },
      choices: { type: DataTypes.JSON, allowNull: false },
      priceMinor: { type: DataTypes.INTEGER, allowNull: false },
      wasMinor: { type: DataTypes.INTEGER },
      costMinor: { type: DataTypes.INTEGER },
      weightGrams: { type: DataTypes.INTEGER, allowNull: false },
      imageSrc: { type: DataTypes.TEXT },
      position: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'variants' },
  );
  StockLevelRow.init(
    {
      variantId: { type: DataTypes.INTEGER, primaryKey: true },
      quantity: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'stock_levels' },
  );
  PriceChangeRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      variantId: { type: DataTypes.INTEGER, allowNull: false },
      priceMinor: { type: DataTypes.INTEGER, allowNull: false },
      changedAt: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'price_changes' },
  );
  ProductCategoryRow.init(
    {
      productId: { type: DataTypes.INTEGER, primaryKey: true },
      categoryId: { type: DataTypes.INTEGER, primaryKey: true },
    },
    { sequelize, tableName: 'product_categories' },
  );
  TagRow.init(
    {
      productId: { type: DataTypes.INTEGER, primaryKey: true },
      name: { type: DataTypes.TEXT, primaryKey: true },
    },
    { sequelize, tableName: 'tags' },
  );
  AttributeRow.init(
    {
      productId: { type: DataTypes.INTEGER, primaryKey: true },
      key: { type: DataTypes.TEXT, primaryKey: true },
      value: { type: DataTypes.TEXT, allowNull: false },
      position: { type: DataTypes.INTEGER, allowNull: false },
    },
    { sequelize, tableName: 'attributes' },
  );
  ReviewRow.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      productId: { type: DataTypes.INTEGER, allowNull: false },
      author: { type: DataTypes.TEXT, allowNull: false },
      stars: { type: DataTypes.INTEGER, allowNull: false },
      text: { type: DataTypes.TEXT, allowNull: false },
      day: { type: DataTypes.TEXT, allowNull: false },
    },
    { sequelize, tableName: 'reviews' },
  );
  return {
    CategoryRow,
    ProductRow,
    ImageRow,
    VariantRow,
    StockLevelRow,
    PriceChangeRow,
    ProductCategoryRow,
    TagRow,
    AttributeRow,
    ReviewRow,
  };
}
