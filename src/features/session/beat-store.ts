'use client';

import { useSyncExternalStore } from 'react';
import { BEATS_A_MINUTE, beatRound, beatsWithin, type BeatTone } from '@/core/stroke';

/** How each tone is heard: a low one, a higher one, and the strike above both. */
const PITCH: Record<BeatTone, number> = { begin: 523, turn: 784, strike: 1568 };
/** Looked ahead so far each time, so that a busy page does not make it stumble, s; and how often, ms. */
const AHEAD = 0.4;
const LOOK = 120;
/** How long a tone is seen, ms. */
const SEEN = 140;

/** The beat of this device: it goes on while putts are logged, whatever is open over the screen. */
export interface BeatState {
  runs: boolean;
  /** Strokes a minute, from start to strike. */
  perMinute: number;
  /** Time back over time through. */
  ratio: number;
  /** What is heard just now. */
  lit: BeatTone | null;
}

let state: BeatState = { runs: false, perMinute: 75, ratio: 2, lit: null };
let silence: () => void = () => undefined;
const listeners = new Set<() => void>();

function become(next: Partial<BeatState>) {
  state = { ...state, ...next };
  listeners.forEach((listener) => listener());
}

/** A short tone at a time of the audio clock, as loud as the device can: it is for outdoors. */
function play(context: AudioContext, tone: BeatTone, at: number) {
  const [sound, volume] = [context.createOscillator(), context.createGain()];
  sound.type = 'square';
  sound.frequency.value = PITCH[tone];
  volume.gain.setValueAtTime(0.9, at);
  volume.gain.exponentialRampToValueAtTime(0.001, at + 0.09);
  sound.connect(volume).connect(context.destination);
  sound.start(at);
  sound.stop(at + 0.1);
}

/** Plays a beat until it is silenced; shows each tone as it is heard. */
function sounding({ perMinute, ratio }: BeatState): () => void {
  const context = new AudioContext();
  const round = beatRound(perMinute, ratio);
  const began = context.currentTime + 0.15;
  let upTo = 0;
  let dark: ReturnType<typeof setTimeout> | undefined;
  const shown = new Set<ReturnType<typeof setTimeout>>();
  const light = (tone: BeatTone) => {
    become({ lit: tone });
    clearTimeout(dark);
    dark = setTimeout(() => become({ lit: null }), SEEN);
  };
  const look = () => {
    const until = Math.max(upTo, context.currentTime - began + AHEAD);
    for (const { at, tone } of beatsWithin(round, upTo, until)) {
      play(context, tone, began + at);
      const wait = Math.max(0, 1000 * (began + at - context.currentTime));
      const timer = setTimeout(() => {
        shown.delete(timer);
        light(tone);
      }, wait);
      shown.add(timer);
    }
    upTo = until;
  };
  look();
  const timer = setInterval(look, LOOK);
  return () => {
    clearInterval(timer);
    clearTimeout(dark);
    shown.forEach(clearTimeout);
    void context.close();
  };
}

/** Starts the beat anew with other numbers, or stops it. */
export function setBeat(next: Partial<Omit<BeatState, 'lit'>>): void {
  silence();
  silence = () => undefined;
  const { min, max } = BEATS_A_MINUTE;
  const perMinute = Math.min(max, Math.max(min, next.perMinute ?? state.perMinute));
  become({ ...next, perMinute, lit: null });
  if (state.runs) silence = sounding(state);
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    // Nobody looks any more: the screen was left.
    if (listeners.size === 0 && state.runs) setBeat({ runs: false });
  };
};

const NOT_YET = state;

/** The beat as it is now. */
export const useBeat = (): BeatState =>
  useSyncExternalStore(
    subscribe,
    () => state,
    () => NOT_YET,
  );
