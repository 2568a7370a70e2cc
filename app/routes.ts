import { index, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("routes/paddock.tsx"),
  route("rigs/:rigId", "routes/rig.tsx", [
    index("routes/today.tsx"),
    route("build", "routes/rig-build.tsx"),
    route("needle", "routes/needle.tsx"),
    route("box", "routes/box.tsx"),
    route("base", "routes/base.tsx"),
    route("teardown", "routes/teardown.tsx"),
    route("work", "routes/work.tsx"),
    route("walk-round", "routes/walk-round.tsx"),
    route("walk-round/:check", "routes/check.tsx"),
    route("air", "routes/air.tsx"),
    route("idle", "routes/idle.tsx"),
    route("idle-speed", "routes/idle-speed.tsx"),
    route("cylinders", "routes/cylinders.tsx"),
    route("balance", "routes/balance.tsx"),
    route("look", "routes/look.tsx"),
    route("stopwatch", "routes/stopwatch.tsx"),
    route("change", "routes/change.tsx"),
    route("why", "routes/why.tsx"),
    route("log", "routes/log.tsx"),
  ]),
  route("new", "routes/new-rig.tsx"),
  route("data", "routes/data.tsx"),
  route("*", "routes/not-found.tsx"),
] satisfies RouteConfig;
