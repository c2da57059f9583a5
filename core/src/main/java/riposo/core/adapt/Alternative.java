package riposo.core.adapt;

import java.util.List;

/** A permitted choice that was not the nearest. */
public record Alternative(List<Performed> parts, Cost cost) {}
