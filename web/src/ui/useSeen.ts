import { useEffect, useRef, useState, type RefObject } from "react";

/** Whether an element has come into sight: what is costly is made then. */
export function useSeen<T extends Element>(): [RefObject<T | null>, boolean] {
  const element = useRef<T>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!element.current) return;
    const watch = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true));
    watch.observe(element.current);
    return () => watch.disconnect();
  }, []);
  return [element, seen];
}
