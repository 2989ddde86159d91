/** A picture in a row of photos, a caption beneath with the room above it, and the line that says where the photos are. */
export const THUMB_PX = 108;
export const THUMB_HEIGHT_PX = (THUMB_PX * 3) / 4;
export const CAPTION_PX = 23;
export const LINE_PX = 22;
