import type { ReactNode } from "react";
import { later } from "#app/ui/later.tsx";

/** Loaded on the first tap: a laptop never needs it. */
const Drawer = later(() => import("@mui/material/Drawer"));

interface PulledProps {
  readonly from: "top" | "bottom";
  /** what it is called for those who do not see it */
  readonly label: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What a phone pulls over the work, from its head or from its foot. */
export const Pulled = ({ from, label, onClose, children }: PulledProps) => (
  <Drawer
    anchor={from}
    open
    onClose={onClose}
    slotProps={{ paper: { role: "dialog", "aria-modal": true, "aria-label": label } }}
  >
    {children}
  </Drawer>
);
