"use client";
import { useEffect } from "react";
import { Toaster, toast } from "sonner";
import { useAnyOver } from "./overs";
import { hearSaid, takeSaid } from "./say";

const TONES = { error: toast.error, warning: toast.warning };

function show(): void {
  for (const { message, tone, stands, action } of takeSaid())
    (tone ? TONES[tone] : toast)(message, { duration: stands, action });
}

export function ToastsShown() {
  useEffect(() => {
    show();
    return hearSaid(show);
  }, []);
  // Over what the page is about least: its right side, but where a sheet lies there.
  const covered = useAnyOver();
  return (
    <Toaster
      position={covered ? "bottom-left" : "bottom-right"}
      mobileOffset={{ bottom: "4.5rem" }}
      expand
      toastOptions={{
        style: {
          background: "var(--ink)",
          color: "var(--paper)",
          border: 0,
          borderRadius: "3px 12px 3px 12px",
          fontFamily: "var(--font-text)",
          fontSize: "1rem",
        },
        actionButtonStyle: { background: "var(--paper)", color: "var(--ink)", height: "2rem", fontWeight: 700 },
      }}
    />
  );
}
