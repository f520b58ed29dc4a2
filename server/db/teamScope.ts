import { type Insertable, type Kysely } from "kysely";
import { type Database } from "./tables";

/** Optional columns may be left out. */
type New<Table extends keyof Database> = Omit<Insertable<Database[Table]>, "team_id">;

/**
 * The one place where queries are tied to a team. Everything a signed-in person does goes through a scope, so no route
 * can forget the team: rows of another team are simply not there.
 */
export interface TeamScope extends ReturnType<typeof teamRows> {
  /** Several changes that happen together or not at all. */
  together<Result>(work: (scope: TeamScope) => Promise<Result>): Promise<Result>;
}

export function teamScope(db: Kysely<Database>, teamId: string): TeamScope {
  return {
    ...teamRows(db, teamId),
    together: (work) => db.transaction().execute((transaction) => work(teamScope(transaction, teamId))),
  };
}

function teamRows(db: Kysely<Database>, teamId: string) {
  return {
    teamId,
    team: () => db.selectFrom("team").where("id", "=", teamId),
    members: () => db.selectFrom("member").where("team_id", "=", teamId),
    brands: () => db.selectFrom("brand").where("team_id", "=", teamId),
    products: () => db.selectFrom("product").where("team_id", "=", teamId),
    offers: () => db.selectFrom("offer").where("team_id", "=", teamId),
    productPictures: () => db.selectFrom("product_picture").where("product_picture.team_id", "=", teamId),
    priceSteps: () => db.selectFrom("price_step").where("team_id", "=", teamId),
    /** What is there; what was removed and may be brought back is under `removedMedia`. */
    media: () => db.selectFrom("media").where("media.team_id", "=", teamId).where("media.deleted_at", "is", null),
    removedMedia: () =>
      db.selectFrom("media").where("media.team_id", "=", teamId).where("media.deleted_at", "is not", null),
    collections: () => db.selectFrom("collection").where("collection.team_id", "=", teamId),
    collectionMedia: () => db.selectFrom("collection_media").where("collection_media.team_id", "=", teamId),
    fonts: () => db.selectFrom("font").where("team_id", "=", teamId),
    templates: () => db.selectFrom("template").where("template.team_id", "=", teamId),
    templateEditions: () => db.selectFrom("template_edition").where("template_edition.team_id", "=", teamId),
    favourites: () => db.selectFrom("template_favourite").where("team_id", "=", teamId),
    promotions: () => db.selectFrom("promotion").where("team_id", "=", teamId),
    renders: () => db.selectFrom("render").where("team_id", "=", teamId),
    renditions: () => db.selectFrom("rendition").where("team_id", "=", teamId),
    renditionsWithPromotion: () =>
      db
        .selectFrom("rendition")
        .innerJoin("render", "render.id", "rendition.render_id")
        .innerJoin("promotion", "promotion.id", "render.promotion_id")
        .where("rendition.team_id", "=", teamId),

    addBrand: (row: New<"brand">) => db.insertInto("brand").values({ ...row, team_id: teamId }),
    addProduct: (row: New<"product">) => db.insertInto("product").values({ ...row, team_id: teamId }),
    addProducts: (rows: readonly New<"product">[]) =>
      db.insertInto("product").values(rows.map((row) => ({ ...row, team_id: teamId }))),
    addProductPictures: (rows: readonly New<"product_picture">[]) =>
      db.insertInto("product_picture").values(rows.map((row) => ({ ...row, team_id: teamId }))),
    addPriceSteps: (rows: readonly New<"price_step">[]) =>
      db.insertInto("price_step").values(rows.map((row) => ({ ...row, team_id: teamId }))),
    addCollection: (row: New<"collection">) => db.insertInto("collection").values({ ...row, team_id: teamId }),
    addToCollection: (rows: readonly New<"collection_media">[]) =>
      db.insertInto("collection_media").values(rows.map((row) => ({ ...row, team_id: teamId }))),
    addFont: (row: New<"font">) => db.insertInto("font").values({ ...row, team_id: teamId }),
    addOffer: (row: New<"offer">) => db.insertInto("offer").values({ ...row, team_id: teamId }),
    addMedia: (row: New<"media">) => db.insertInto("media").values({ ...row, team_id: teamId }),
    addTemplate: (row: New<"template">) => db.insertInto("template").values({ ...row, team_id: teamId }),
    addTemplateEdition: (row: New<"template_edition">) =>
      db.insertInto("template_edition").values({ ...row, team_id: teamId }),
    addFavourite: (row: New<"template_favourite">) =>
      db.insertInto("template_favourite").values({ ...row, team_id: teamId }),
    addPromotion: (row: New<"promotion">) => db.insertInto("promotion").values({ ...row, team_id: teamId }),
    addRevision: (row: New<"promotion_revision">) =>
      db.insertInto("promotion_revision").values({ ...row, team_id: teamId }),
    addRender: (row: New<"render">) => db.insertInto("render").values({ ...row, team_id: teamId }),
    addRendition: (row: New<"rendition">) => db.insertInto("rendition").values({ ...row, team_id: teamId }),

    changeMember: () => db.updateTable("member").where("team_id", "=", teamId),
    changeCollection: () => db.updateTable("collection").where("team_id", "=", teamId),
    changeBrand: () => db.updateTable("brand").where("team_id", "=", teamId),
    changeProduct: () => db.updateTable("product").where("team_id", "=", teamId),
    changeOffer: () => db.updateTable("offer").where("team_id", "=", teamId),
    changeMedia: () => db.updateTable("media").where("team_id", "=", teamId),
    changeTemplate: () => db.updateTable("template").where("team_id", "=", teamId),
    changePromotion: () => db.updateTable("promotion").where("team_id", "=", teamId),
    changeRendition: () => db.updateTable("rendition").where("team_id", "=", teamId),

    removeProduct: () => db.deleteFrom("product").where("team_id", "=", teamId),
    removeOffer: () => db.deleteFrom("offer").where("team_id", "=", teamId),
    removeMedia: () => db.deleteFrom("media").where("team_id", "=", teamId),
    removeFavourite: () => db.deleteFrom("template_favourite").where("team_id", "=", teamId),
    removeBrand: () => db.deleteFrom("brand").where("team_id", "=", teamId),
    removeProductPictures: () => db.deleteFrom("product_picture").where("team_id", "=", teamId),
    removeCollection: () => db.deleteFrom("collection").where("team_id", "=", teamId),
    removeFromCollection: () => db.deleteFrom("collection_media").where("team_id", "=", teamId),
    removeFont: () => db.deleteFrom("font").where("team_id", "=", teamId),

    /** For pieces that tell others what happened; not for queries. */
    connection: db,
  };
}
