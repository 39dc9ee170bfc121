export {
  boxAt,
  keepOff,
  overlaps,
  PLACE_PATTERN,
  readPlace,
  snapPlace,
  writePlace,
  type Box,
  type Edge,
  type Place,
  type Size,
} from './opener-position';
