import { type RouteConfig, index, layout, route } from "@react-router/dev/routes";

export default [
  route("sign-in", "routes/signIn.tsx"),
  route("sign-out", "routes/signOut.ts"),
  route("healthz", "routes/healthz.ts"),
  route("readyz", "routes/readyz.ts"),
  route("faces.json", "routes/faceCatalogue.ts"),
  route("faces/:stem/:subset/:weight", "routes/faceFile.ts"),
  route("emoji/:code/:level", "routes/emojiPicture.ts"),
  route("events", "routes/events.ts"),
  route("media/upload", "routes/mediaUpload.ts"),
  route("media/:id/:file", "routes/mediaFile.ts"),
  route("promotions/:slug/edits", "routes/promotionEdits.ts"),
  route("promotions/:slug/still/:format", "routes/promotionStill.ts"),
  route("renditions/:id/file", "routes/renditionFile.ts"),
  route("renders/:id/zip", "routes/renderZip.ts"),
  layout("routes/shell.tsx", [
    index("routes/bench.tsx"),
    route("brand-book", "routes/brandBook.tsx"),
    route("catalogue", "routes/catalogue.tsx"),
    route("media", "routes/media.tsx"),
    route("templates", "routes/templates.tsx"),
    route("promotions", "routes/promotions.tsx"),
    route("promotions/new", "routes/newPromotion.tsx"),
    route("promotions/:slug", "routes/fillDesk.tsx"),
    route("promotions/:slug/send", "routes/sendDesk.tsx"),
  ]),
] satisfies RouteConfig;
