"use client";
import { NotMade } from "@/ui/kit/away";

export default function Failed() {
  return <NotMade />;
}
