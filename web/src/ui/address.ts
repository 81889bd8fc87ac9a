import { useSyncExternalStore } from "react";

const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  window.addEventListener("popstate", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("popstate", listener);
  };
}

/** The path of the page; every screen has its own. */
export function useAddress(): string {
  return useSyncExternalStore(subscribe, () => window.location.pathname);
}

export function go(path: string) {
  window.history.pushState(null, "", path);
  listeners.forEach((listener) => listener());
}
