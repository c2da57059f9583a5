package riposo.core.adapt;

import java.time.LocalDate;

/**
 * The highest rung of a family that an accepted verdict leaves open: never past where the client
 * stands.
 */
public record Ceiling(String familyId, int rung, LocalDate decidedOn) {}
