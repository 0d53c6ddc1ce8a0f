'use client';

import { useEffect } from 'react';
import { useKeptSwitch } from './kept';

let context: AudioContext | undefined;

/** A short tone: high for what passed, low for what missed. */
function tone(passed: boolean) {
  context ??= new AudioContext();
  const [sound, volume] = [context.createOscillator(), context.createGain()];
  const now = context.currentTime;
  sound.frequency.value = passed ? 880 : 330;
  volume.gain.setValueAtTime(0.12, now);
  volume.gain.exponentialRampToValueAtTime(0.001, now + 0.12);
  sound.connect(volume).connect(context.destination);
  sound.start(now);
  sound.stop(now + 0.13);
}

/** What the hand and the ear are told when a putt has been logged; either can be switched off. */
export function useCues() {
  const [sound, setSound] = useKeptSwitch('sound', false);
  const [buzz, setBuzz] = useKeptSwitch('buzz', true);
  const [voice, setVoice] = useKeptSwitch('voice', false);
  return {
    sound,
    setSound,
    buzz,
    setBuzz,
    voice,
    setVoice,
    cue: (passed: boolean) => {
      if (sound) tone(passed);
      if (buzz && 'vibrate' in navigator) navigator.vibrate(passed ? 25 : [25, 50, 25]);
    },
  };
}

/** Says some words aloud whenever they change, with what comes after in place of what is being said. */
export function useSpoken(words: string, on: boolean) {
  useEffect(() => {
    if (!on || !('speechSynthesis' in window)) return;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }, [words, on]);
}
