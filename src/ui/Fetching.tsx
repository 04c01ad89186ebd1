"use client";
import { useEffect, useState } from "react";

/** A wait shorter than this is not spoken of, ms. */
const SHORT = 600;

/** In the place of a piece that is still on its way. */
export function Fetching() {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), SHORT);
    return () => clearTimeout(timer);
  }, []);
  return long && <p role="status">Being fetched. Where the server does not answer, it comes as soon as it does.</p>;
}
