// AssemblyScript: compiled to planar.wasm by `npm run wasm`. Turns frames of canvases into frames of video and back.
export { toPlanes } from "./toPlanes.as";
export { toPixels } from "./toPixels.as";
export { applyTable } from "./applyTable.as";
