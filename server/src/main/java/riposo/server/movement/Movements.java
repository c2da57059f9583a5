package riposo.server.movement;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import riposo.catalogue.CatalogueReader;
import riposo.catalogue.OwnMovements;
import riposo.catalogue.OwnMovements.Own;
import riposo.catalogue.PlanDocument;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.PlanAdapter;
import riposo.core.figure.Figures;
import riposo.core.group.Lanes;
import riposo.core.movement.Catalogue;
import riposo.core.wording.Wording;
import riposo.server.platform.StudioContext;

/**
 * The catalogue of the studio at work: the shipped one, validated while the server starts, with the
 * studio's own movements, and what is built on it. Kept in memory and checked against the studio's
 * stamp in the database once a request, so that another instance's change is seen at once.
 */
@Component
public class Movements {
  /** The studio's own movements as stored. */
  public interface Source {
    /** Changes with every change of the studio's movements; "" when it has none. */
    String stamp();

    /** The movements, retired ones too. */
    List<Own> own();

    /** Ids no longer offered. */
    Set<String> retired();
  }

  private record Built(
      String stamp, PlanAdapter plans, Adapter adapter, Wording wording, Lanes lanes) {}

  private static final String MEMO = Movements.class.getName();

  private final Catalogue shipped = CatalogueReader.shipped();
  private final Figures figures = CatalogueReader.figures();
  private final List<PlanDocument> startingPoints = PlanDocument.shipped(shipped);
  private final Built plain = build("", shipped);
  private final Map<UUID, Built> byStudio = new ConcurrentHashMap<>();
  private final Source source;

  Movements(Source source) {
    this.source = source;
  }

  private static Built build(String stamp, Catalogue catalogue) {
    Adapter adapter = new Adapter(catalogue);
    return new Built(
        stamp, new PlanAdapter(adapter), adapter, new Wording(catalogue), new Lanes(adapter));
  }

  /** The catalogue that ships, without anybody's own movements. */
  public Catalogue shipped() {
    return shipped;
  }

  public Figures figures() {
    return figures;
  }

  /** The plans that ship as starting points. */
  public List<PlanDocument> startingPoints() {
    return startingPoints;
  }

  public Catalogue catalogue() {
    return current().adapter().catalogue();
  }

  public Adapter adapter() {
    return current().adapter();
  }

  public PlanAdapter planAdapter() {
    return current().plans();
  }

  public Wording wording() {
    return current().wording();
  }

  public Lanes lanes() {
    return current().lanes();
  }

  /** Forgets what this request or transaction has seen, after a change within it. */
  public void changed() {
    Optional.ofNullable(RequestContextHolder.getRequestAttributes())
        .ifPresent(r -> r.removeAttribute(MEMO, RequestAttributes.SCOPE_REQUEST));
    TransactionSynchronizationManager.unbindResourceIfPossible(MEMO);
  }

  private Built current() {
    UUID studio = StudioContext.current();
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    boolean transaction =
        request == null && TransactionSynchronizationManager.isSynchronizationActive();
    Object seen =
        request != null
            ? request.getAttribute(MEMO, RequestAttributes.SCOPE_REQUEST)
            : transaction ? TransactionSynchronizationManager.getResource(MEMO) : null;
    if (seen instanceof Memo m && m.studio().equals(studio)) {
      return m.built();
    }
    String stamp = source.stamp();
    Built built =
        stamp.isEmpty()
            ? plain
            : byStudio.compute(
                studio,
                (id, known) ->
                    known != null && known.stamp().equals(stamp)
                        ? known
                        : build(
                            stamp,
                            OwnMovements.with(
                                shipped, source.own(), new HashSet<>(source.retired()))));
    Memo memo = new Memo(studio, built);
    if (request != null) {
      request.setAttribute(MEMO, memo, RequestAttributes.SCOPE_REQUEST);
    } else if (transaction) {
      remember(memo);
    }
    return built;
  }

  /** Keeps the memo until the transaction ends: work outside a request, such as a scheduled job. */
  private static void remember(Memo memo) {
    if (TransactionSynchronizationManager.unbindResourceIfPossible(MEMO) == null) {
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
              TransactionSynchronizationManager.unbindResourceIfPossible(MEMO);
            }
          });
    }
    TransactionSynchronizationManager.bindResource(MEMO, memo);
  }

  private record Memo(UUID studio, Built built) {}
}
