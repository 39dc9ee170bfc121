import sharp from 'sharp';

/** A small photograph that carries what nobody should be told. */
export function picture(width = 40): Promise<Buffer> {
  return sharp({ create: { width, height: 30, channels: 3, background: '#1c4e5f' } })
    .withMetadata({ exif: { IFD0: { Copyright: 'a secret place' } } })
    .jpeg()
    .toBuffer();
}
