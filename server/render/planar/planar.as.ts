// AssemblyScript: compiled to planar.wasm by `npm run wasm`. Puts frames together, turns frames of canvases into frames of
// video and back.
//
// What stays the same in a loop lies in memory, and is read before it; and places that a loop goes through are counted on:
// what the engine can make of numbers, it makes in every turn.
export { drawRows, fillRows, layFadedRows, layRows } from "./composeRows.as";
export { toPlanes } from "./toPlanes.as";
export { toPixels } from "./toPixels.as";
export { applyTable } from "./applyTable.as";
