/** Two soft notes from the browser's own synthesizer; silent where there is none or the person has not touched the page yet. */
export function chime(): void {
  try {
    const audio = new AudioContext();
    [0, 0.22].forEach((at, i) => {
      const note = audio.createOscillator();
      const volume = audio.createGain();
      note.frequency.value = i === 0 ? 660 : 880;
      volume.gain.setValueAtTime(0.12, audio.currentTime + at);
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.4);
      note.connect(volume).connect(audio.destination);
      note.start(audio.currentTime + at);
      note.stop(audio.currentTime + at + 0.4);
    });
    setTimeout(() => void audio.close(), 1000);
  } catch {
    // No sound here: the timer says it in words as well.
  }
}
