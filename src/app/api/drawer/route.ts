import { inventoryFile, passportFile } from "@/views/drawerFile";
import { askedOf } from "../../params";
import { answering, file } from "../answer";

/** The drawer as a file: its inventory, or the multi-crop passport descriptors. */
export const GET = (request: Request) =>
  answering(() => {
    const { sky } = askedOf(request);
    const passport = new URL(request.url).searchParams.get("as") === "passport";
    const text = passport ? passportFile(sky) : inventoryFile(sky);
    return file(text, "text/csv; charset=utf-8", passport ? "passports.csv" : "drawer.csv");
  });
