import { Home } from "./home/Home";
import { Report } from "./report/Report";
import { SideBySide } from "./side/SideBySide";
import { useAddress } from "./ui/address";
import { Workspace } from "./workspace/Workspace";

export function App() {
  const [, model, screen] = /^\/models\/([^/]+)(?:\/(\w+))?/.exec(useAddress()) ?? [];
  if (!model) return <Home />;
  if (screen === "report") return <Report key={model} id={model} />;
  return screen === "side" ? <SideBySide key={model} id={model} /> : <Workspace key={model} id={model} />;
}
