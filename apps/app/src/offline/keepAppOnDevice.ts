/** Registers the service worker that keeps the whole app on the device. A new build takes over at the next start. */
export function keepAppOnDevice(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/sw.js').catch(() => {
    // Without it the app still runs while there is a network; readings are kept on the device either way.
  });
}
