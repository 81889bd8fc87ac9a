import { Home } from "./home/Home";
import { Library } from "./library/Library";
import { Report } from "./report/Report";
import { Runs } from "./runs/Runs";
import { SideBySide } from "./side/SideBySide";
import { useAddress } from "./ui/address";
import { Workspace } from "./workspace/Workspace";

export function App() {
  const address = useAddress();
  const [, model, screen] = /^\/models\/([^/]+)(?:\/(\w+))?/.exec(address) ?? [];
  if (!model) return address === "/runs" ? <Runs /> : address === "/library" ? <Library /> : <Home />;
  if (screen === "report") return <Report key={model} id={model} />;
  return screen === "side" ? <SideBySide key={model} id={model} /> : <Workspace key={model} id={model} />;
}
