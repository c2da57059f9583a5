package riposo.server.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Owned;
import riposo.server.platform.Unstamped;

/** What the professional decided on one proposed limit. */
@Unstamped("whose it is, its screening knows: touched by hand")
@Entity(name = "ProposalDecision")
@Table(name = "proposal_decision")
class DecisionRow extends Owned {
  @Column(name = "screening_id")
  UUID screeningId;

  @Column(name = "proposal_key")
  String proposalKey;

  String decision;
  @Nullable String reason;

  @Column(name = "limit_id")
  @Nullable UUID limitId;
}
