import { flushSync } from "react-dom";
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { DropdownMenu, Popover } from "radix-ui";
import { Refused } from "../api/client";

/** Moves to the chip after (or before) this one and opens it. */
function walk(from: HTMLElement, back: boolean) {
  const chips = [...document.querySelectorAll<HTMLElement>("[data-chip]")];
  const next = chips[chips.indexOf(from) + (back ? -1 : 1)];
  next?.focus();
  if (next?.dataset.chip === "text") next.click();
}

interface TextChipProps {
  label: string;
  value: string;
  /** Shown in place of an empty value. */
  placeholder?: string;
  /** An empty value is nothing to mend. */
  optional?: boolean;
  onCommit: (value: string) => Promise<void>;
}

/** A value that opens for typing in its place; what is refused stays, with the reason under it. */
export function TextChip({ label, value, placeholder = "…", optional = false, onCommit }: TextChipProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const [busy, setBusy] = useState(false);
  const button = useRef<HTMLButtonElement>(null);

  async function commit(): Promise<boolean> {
    if (draft === null || busy) return false;
    if (draft.trim() === value) {
      close();
      return true;
    }
    setBusy(true);
    try {
      await onCommit(draft.trim());
      close();
      return true;
    } catch (error) {
      setRefused(error instanceof Refused ? error : new Refused(String(error), 0, null));
      return false;
    } finally {
      setBusy(false);
    }
  }

  /** At once, so that whoever kept a value with a key has the chip again before the next key comes. */
  function close() {
    flushSync(() => {
      setDraft(null);
      setRefused(null);
    });
  }

  async function onKey(event: KeyboardEvent) {
    event.stopPropagation();
    if (event.key === "Escape") close();
    if (event.key === "Enter") {
      event.preventDefault();
      if (await commit()) button.current?.focus();
    }
    if (event.key === "Tab") {
      event.preventDefault();
      const back = event.shiftKey;
      if (await commit() && button.current) walk(button.current, back);
    }
  }

  if (draft === null) {
    return (
      <button ref={button} data-chip="text" aria-label={`${label}: ${value || placeholder}`} className={`chip ${value ? "" : optional ? "text-faint italic" : "chip-missing"}`} onClick={() => setDraft(value)}>
        {value || placeholder}
      </button>
    );
  }
  return (
    <span className="relative inline-block">
      <input
        autoFocus
        aria-label={label}
        aria-invalid={refused !== null}
        className="chip chip-open"
        style={{ width: `${Math.max(draft.length, 6) + 2.5}ch` }}
        value={draft}
        placeholder={placeholder}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setDraft(event.target.value)}
        onKeyDown={(event) => void onKey(event)}
        onBlur={() => void commit()}
      />
      <button ref={button} className="hidden" />
      {refused && (
        <span role="alert" className="absolute left-0 top-full z-40 mt-1 block w-72 rounded-md border border-vermilion bg-paper px-2 py-1.5 font-sans text-[12px] leading-snug text-vermilion shadow-lg">
          {refused.message}. {refused.cure && <span className="text-ink">{refused.cure}</span>}
        </span>
      )}
    </span>
  );
}

interface ChoiceChipProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [value: T, text: string])[];
  onChoose: (value: T) => void;
  missing?: boolean;
  children?: ReactNode;
}

/** A value taken from a short list. */
export function ChoiceChip<T extends string>({ label, value, options, onChoose, missing, children }: ChoiceChipProps<T>) {
  const text = options.find(([v]) => v === value)?.[1] ?? value;
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <button data-chip="choice" aria-label={`${label}: ${text}`} className={`chip ${missing ? "chip-missing" : ""}`}>
          {children ?? (text || "choose")}
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popover max-h-80 overflow-auto" sideOffset={4} align="start">
          {options.map(([v, t]) => (
            <DropdownMenu.Item key={v} className={`menu-item ${v === value ? "font-semibold" : ""}`} onSelect={() => onChoose(v)}>
              {t}
            </DropdownMenu.Item>
          ))}
          {options.length === 0 && <p className="px-2 py-1 text-faint">Nothing to choose from yet.</p>}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

interface PanelChipProps {
  label: string;
  text: string;
  className?: string;
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  /** Leaves the popover open while the user picks in the model window. */
  sticky?: boolean;
  width?: string;
  children: (close: () => void) => ReactNode;
}

/** A value with a small panel behind it. */
export function PanelChip({ label, text, className = "", open, onOpenChange, sticky, width = "w-72", children }: PanelChipProps) {
  const [own, setOwn] = useState(false);
  const shown = open ?? own;
  const setShown = (next: boolean) => {
    setOwn(next);
    onOpenChange?.(next);
  };
  useEffect(() => {
    if (!shown || !sticky) return;
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key === "Escape") setShown(false);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  return (
    <Popover.Root open={shown} onOpenChange={setShown}>
      <Popover.Trigger asChild>
        <button data-chip="panel" aria-label={`${label}: ${text}`} className={`chip ${className} ${shown ? "chip-open" : ""}`}>
          {text}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className={`popover ${width}`}
          sideOffset={4}
          align="start"
          onInteractOutside={(event) => sticky && event.preventDefault()}
          onOpenAutoFocus={(event) => sticky && event.preventDefault()}
        >
          {children(() => setShown(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
