import { lazy, Suspense, type ReactNode } from "react";

/** A laptop never needs it. */
const Drawer = lazy(() => import("@mui/material/Drawer"));

interface PulledProps {
  readonly from: "top" | "bottom";
  /** what it is called for those who do not see it */
  readonly label: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What a phone pulls over the work, from its head or from its foot. */
export const Pulled = ({ from, label, onClose, children }: PulledProps) => (
  <Suspense fallback={null}>
    <Drawer
      anchor={from}
      open
      onClose={onClose}
      slotProps={{ paper: { role: "dialog", "aria-modal": true, "aria-label": label } }}
    >
      {children}
    </Drawer>
  </Suspense>
);
