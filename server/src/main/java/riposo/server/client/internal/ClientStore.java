package riposo.server.client.internal;

import riposo.server.platform.Store;

interface ClientStore extends Store<ClientRow> {}
