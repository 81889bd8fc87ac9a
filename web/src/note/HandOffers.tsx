import { Pencil } from "lucide-react";
import { useEdit } from "../api/hooks";
import { useNote } from "./context";
import { freshId } from "./template";

/** Hand checks that suit what is drawn and how it is held, each one press away. */
export function HandOffers() {
  const { view } = useNote();
  const edit = useEdit(view.id);
  return view.offers.map((offer) => (
    <button
      key={`${offer.study} ${offer.body}`}
      className="ml-3 flex items-center gap-1 rounded px-1 font-sans text-[12px] text-faint hover:bg-glow"
      onClick={() =>
        void edit("document", (document) => {
          document.statements.push({ id: freshId(document.statements), kind: "hand_check", ...offer });
          return document;
        })
      }
    >
      <Pencil className="size-3" /> check {offer.study} by hand: {offer.body} as a {offer.flows ?? (offer.beam ? `${offer.beam} beam` : `${offer.plate} plate`)}
    </button>
  ));
}
