import { notFound } from "next/navigation";
import { isId } from "@/core/custody/id";
import { SharingScreen } from "@/screens/seed/SharingScreens";
import { sharingPage } from "@/views/sharing";
import { here } from "../../../../here";

export const metadata = { title: "A day for sharing" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <SharingScreen {...((isId(id) ? sharingPage(await here(), id) : null) ?? notFound())} />;
}
