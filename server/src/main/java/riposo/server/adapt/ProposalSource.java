package riposo.server.adapt;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import riposo.core.tolerance.Verdict;

/** What the record says of a client's families before the next session; told by tolerance. */
public interface ProposalSource {
  /**
   * The newest verdict of a family, where it waits or was decided since the last session.
   *
   * @param id of the verdict, with its version
   * @param says what it says, or what was decided
   * @param sentence why, and what is proposed or was taken
   * @param waits it is to be decided
   * @param open it can be accepted as it is: limits, kit and record still say the same
   */
  record Proposal(
      UUID id,
      long version,
      LocalDate date,
      Verdict says,
      String sentence,
      boolean waits,
      boolean open) {}

  /** By family id; without families of which there is nothing to say. */
  Map<String, Proposal> proposals(UUID clientId);
}
