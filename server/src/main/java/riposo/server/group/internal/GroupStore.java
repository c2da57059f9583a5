package riposo.server.group.internal;

import riposo.server.platform.Store;

interface GroupStore extends Store<GroupRow> {}
