import { index, layout, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("features/paddock/route.tsx"),
  route("rigs/:rigId", "frame/route.tsx", [
    layout("frame/screen.tsx", [
      index("features/today/route.tsx"),
      route("build", "features/rig/described/route.tsx"),
      route("measure", "features/rig/measure/route.tsx"),
      route("needle", "features/rig/needle/route.tsx"),
      route("box", "features/rig/box/route.tsx"),
      route("base", "features/rig/base/route.tsx"),
      route("teardown", "features/rig/teardown/route.tsx"),
      route("work", "features/rig/work/route.tsx"),
      route("schools", "features/rig/schools/route.tsx"),
      route("walk-round", "features/walk-round/route.tsx"),
      route("walk-round/:check", "features/walk-round/check/route.tsx"),
      route("air", "features/air/route.tsx"),
      route("idle", "features/idle/route.tsx"),
      route("idle-speed", "features/idle-speed/route.tsx"),
      route("cylinders", "features/cylinders/route.tsx"),
      route("balance", "features/balance/route.tsx"),
      route("look", "features/look/route.tsx"),
      route("stopwatch", "features/stopwatch/route.tsx"),
      route("logger", "features/logger/route.tsx"),
      route("change", "features/change/route.tsx"),
      route("why", "features/why/route.tsx"),
      route("log", "features/log/route.tsx"),
    ]),
  ]),
  route("new", "features/rig/new/route.tsx"),
  route("data", "features/data/route.tsx"),
  route("*", "not-found.tsx"),
] satisfies RouteConfig;
