// AssemblyScript: compiled to planar.wasm by `npm run wasm`. Puts frames together, turns frames of canvases into frames of
// video and back.
export { drawRows, fillRows, layFadedRows, layRows } from "./composeRows.as";
export { toPlanes } from "./toPlanes.as";
export { toPixels } from "./toPixels.as";
export { applyTable } from "./applyTable.as";
