import { Home } from "./home/Home";
import { useAddress } from "./ui/address";
import { Workspace } from "./workspace/Workspace";

export function App() {
  const model = /^\/models\/([^/]+)/.exec(useAddress())?.[1];
  return model ? <Workspace key={model} id={model} /> : <Home />;
}
