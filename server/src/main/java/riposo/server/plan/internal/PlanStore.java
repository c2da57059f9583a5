package riposo.server.plan.internal;

import riposo.server.platform.Store;

interface PlanStore extends Store<PlanRow> {}
