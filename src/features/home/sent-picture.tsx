import Image from 'next/image';
import { PHOTO_SIDE } from '@/core/planning';

/** A picture that goes, or went, with a word: it is in the page itself, in its own shape. */
export const SentPicture = ({ src, alt }: { src: string; alt: string }) => (
  <Image
    unoptimized
    src={src}
    alt={alt}
    width={PHOTO_SIDE}
    height={PHOTO_SIDE}
    className="mt-1.5 h-auto max-h-64 w-auto max-w-full justify-self-start border border-rule"
  />
);
