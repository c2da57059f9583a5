package riposo.core.trend;

import java.time.LocalDate;

/** One figure of a day. */
public record Point(LocalDate day, double value) {}
