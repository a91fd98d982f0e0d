import { randomUUID } from 'node:crypto';
import createError from '@fastify/error';
import { cut, type Photograph } from '@which-bore/core';
import sharp from 'sharp';
import { IsNull, Not } from 'typeorm';
import type { Database } from '../database/database.js';
import { DocumentChangeEntity, PhotographEntity, SpecimenEntity, type PhotographRow } from '../database/entities.js';
import { MissingError } from './errors.js';

/** Largest photograph taken, bytes. */
export const LARGEST_PHOTOGRAPH = 12 * 1024 ** 2;
/** Most photographs of one specimen. */
const MOST = 60;
/** Most pixels a picture may unpack to; a small file can hold a huge one. */
const MOST_PIXELS = 64e6;
/** Longest side as kept, and of the thumbnail, pixels. */
const KEPT = 2400;
const THUMBNAIL = 240;
const QUALITY = 82;

/** A file that is no photograph, or too many of them. */
const PhotographError = createError('NO_PHOTOGRAPH', '%s', 415);

export class PhotographTooLargeError extends createError('PHOTOGRAPH_TOO_LARGE', '%s', 413) {
  constructor(name: string) {
    super(
      `“${name}” is larger than ${LARGEST_PHOTOGRAPH / 1024 ** 2} MiB. Send it smaller: half of the pixels are enough to read a mark.`,
    );
  }
}

const unknown = (id: string) => new MissingError(`There is no photograph ${id}: it was never kept, or it was deleted.`);

const shown = ({ id, readingId, name, width, height, at, who }: PhotographRow): Photograph => ({
  id,
  ...(readingId === null ? {} : { reading: readingId }),
  name,
  width,
  height,
  at: at.toISOString(),
  who,
});

/** Formats of cameras and telephones, by the first bytes of the file and not by its name. */
const FORMATS = new Set(['jpeg', 'png', 'webp']);

/**
 * Opens a picture and writes it anew, turned upright, so that nothing but its pixels is kept: the place and the owner
 * that a telephone writes into it go, and so does anything hidden in it. Throws a PhotographError for what is no
 * picture.
 */
async function developed(
  file: Buffer,
  name: string,
): Promise<Pick<PhotographRow, 'image' | 'thumbnail' | 'width' | 'height'>> {
  const why = (what: string) => new PhotographError(`“${name}” ${what} Photographs are JPEG, PNG or WebP.`);
  try {
    const { format } = await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata();
    if (!FORMATS.has(format)) throw why(`is ${format.toUpperCase()}, which is not taken.`);
    const upright = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
    const { data: image, info } = await upright
      .clone()
      .resize(KEPT, KEPT, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    const thumbnail = await sharp(image)
      .resize(THUMBNAIL, THUMBNAIL, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer();
    return { image, thumbnail, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof PhotographError) throw error;
    const message = error instanceof Error ? error.message : '';
    if (/pixel limit/i.test(message))
      throw why(`has more than ${MOST_PIXELS / 1e6} million pixels: make it smaller and send it again.`);
    throw why('cannot be opened as a picture, whatever its name says.');
  }
}

/** Keeps photographs of specimens and of their readings. */
export class PhotographStore {
  constructor(
    private readonly database: Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  private get repository() {
    return this.database.connection.getRepository(PhotographEntity);
  }

  async of(specimenId: string): Promise<Photograph[]> {
    const rows = await this.repository.find({
      where: { specimenId, deletedAt: IsNull() },
      order: { at: 'ASC', id: 'ASC' },
    });
    return rows.map(shown);
  }

  /** Throws a MissingError, or a PhotographError that says what is wrong with the file. */
  async add(
    specimenId: string,
    readingId: string | undefined,
    name: string,
    file: Buffer,
    who: string,
  ): Promise<Photograph> {
    if (
      !(await this.database.connection.getRepository(SpecimenEntity).existsBy({ id: specimenId, deletedAt: IsNull() }))
    )
      throw new MissingError(`There is no specimen ${specimenId}: it was never saved, or it was deleted.`);
    if ((await this.repository.countBy({ specimenId, deletedAt: IsNull() })) >= MOST)
      throw new PhotographError(`This part has ${MOST} photographs already. Delete one first.`);
    const picture = await developed(file, name);
    const row: PhotographRow = {
      id: randomUUID(),
      specimenId,
      readingId: readingId ?? null,
      name: cut(name, 200) || 'photograph',
      ...picture,
      at: this.now(),
      who,
      deletedAt: null,
    };
    await this.repository.insert(row);
    return shown(row);
  }

  /** The picture itself, or its thumbnail. Throws a MissingError. */
  async picture(id: string, which: 'image' | 'thumbnail'): Promise<Buffer> {
    const row = await this.repository.findOne({
      where: { id, deletedAt: IsNull() },
      select: { id: true, [which]: true },
    });
    if (!row) throw unknown(id);
    return row[which];
  }

  async remove(id: string, who: string): Promise<void> {
    await this.mark(id, who, 'removed');
  }

  async restore(id: string, who: string): Promise<Photograph> {
    await this.mark(id, who, 'restored');
    const row = await this.repository.findOneBy({ id, deletedAt: IsNull() });
    if (!row) throw unknown(id);
    return shown(row);
  }

  private async mark(id: string, who: string, operation: 'removed' | 'restored'): Promise<void> {
    await this.database.connection.transaction(async (manager) => {
      const now = this.now();
      const removed = operation === 'removed';
      const { affected } = await manager
        .getRepository(PhotographEntity)
        .update({ id, deletedAt: removed ? IsNull() : Not(IsNull()) }, { deletedAt: removed ? now : null });
      if (removed && !affected) throw unknown(id);
      if (affected)
        await manager
          .getRepository(DocumentChangeEntity)
          .insert({ sort: 'photograph', documentId: id, version: 1, at: now, who, operation });
    });
  }
}
