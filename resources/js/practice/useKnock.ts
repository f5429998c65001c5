import { useEffect, useRef, useState } from 'react';

/** How much louder than the room a knock is, and how loud at least, of 1. */
const ABOVE = 6;
const LEAST = 0.12;

/** After a knock it is deaf for so many milliseconds: the table rings, and a rope falls. */
const DEAF = 700;

/**
 * Listens for a knock on the table while it is on: a level that leaps far above that of the room. Nothing is recorded.
 *
 * @returns whether there is no microphone to be had
 */
export function useKnock(isOn: boolean, onKnock: () => void): boolean {
  const [missing, setMissing] = useState(false);
  const knock = useRef(onKnock);
  useEffect(() => {
    knock.current = onKnock;
  }, [onKnock]);
  useEffect(() => {
    if (!isOn) return undefined;
    let stream: MediaStream | undefined;
    let audio: AudioContext | undefined;
    let frame = 0;
    let isOver = false;
    const listen = async (): Promise<void> => {
      const found = await navigator.mediaDevices.getUserMedia({
        audio: { noiseSuppression: false, echoCancellation: false },
      });
      if (isOver) {
        for (const track of found.getTracks()) track.stop();
        return;
      }
      stream = found;
      audio = new AudioContext();
      const analyser = audio.createAnalyser();
      analyser.fftSize = 512;
      audio.createMediaStreamSource(found).connect(analyser);
      const samples = new Float32Array(analyser.fftSize);
      let room = LEAST / ABOVE;
      let deafUntil = 0;
      const hear = (now: number): void => {
        analyser.getFloatTimeDomainData(samples);
        const level = samples.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
        if (now > deafUntil && level > LEAST && level > ABOVE * room) {
          deafUntil = now + DEAF;
          knock.current();
        }
        room += (level - room) * 0.02;
        frame = requestAnimationFrame(hear);
      };
      frame = requestAnimationFrame(hear);
    };
    listen().catch(() => setMissing(true));
    return () => {
      isOver = true;
      cancelAnimationFrame(frame);
      for (const track of stream?.getTracks() ?? []) track.stop();
      void audio?.close();
    };
  }, [isOn]);
  return missing;
}
