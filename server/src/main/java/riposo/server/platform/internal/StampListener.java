package riposo.server.platform.internal;

import jakarta.persistence.EntityManagerFactory;
import java.sql.PreparedStatement;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.WeakHashMap;
import org.hibernate.Session;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.hibernate.engine.spi.SharedSessionContractImplementor;
import org.hibernate.engine.spi.TransactionCompletionCallbacks.AfterCompletionCallback;
import org.hibernate.engine.spi.TransactionCompletionCallbacks.BeforeCompletionCallback;
import org.hibernate.event.service.spi.EventListenerRegistry;
import org.hibernate.event.spi.EventType;
import org.hibernate.event.spi.PostDeleteEvent;
import org.hibernate.event.spi.PostDeleteEventListener;
import org.hibernate.event.spi.PostInsertEvent;
import org.hibernate.event.spi.PostInsertEventListener;
import org.hibernate.event.spi.PostUpdateEvent;
import org.hibernate.event.spi.PostUpdateEventListener;
import org.hibernate.persister.entity.EntityPersister;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.server.platform.StampedItself;
import riposo.server.platform.Stamps;
import riposo.server.platform.Unstamped;

/**
 * Raises the stamps of what a transaction wrote, as its last statements: of the client a row
 * belongs to, of the studio where it belongs to none.
 */
@Component
class StampListener
    implements PostInsertEventListener, PostUpdateEventListener, PostDeleteEventListener {
  private static final String CLIENT = "clientId";

  StampListener(EntityManagerFactory factory) {
    EventListenerRegistry registry =
        factory.unwrap(SessionFactoryImplementor.class).getEventEngine().getListenerRegistry();
    registry.appendListeners(EventType.POST_INSERT, this);
    registry.appendListeners(EventType.POST_UPDATE, this);
    registry.appendListeners(EventType.POST_DELETE, this);
  }

  @Override
  public void onPostInsert(PostInsertEvent e) {
    wrote(e.getSession(), e.getPersister(), e.getId(), e.getState());
  }

  @Override
  public void onPostUpdate(PostUpdateEvent e) {
    wrote(e.getSession(), e.getPersister(), e.getId(), e.getState());
  }

  @Override
  public void onPostDelete(PostDeleteEvent e) {
    wrote(e.getSession(), e.getPersister(), e.getId(), e.getDeletedState());
    if (e.getEntity() instanceof StampedItself) {
      Touched touched = touched(e.getSession());
      touched.gone.add((UUID) e.getId());
      // that somebody went shows in the studio's, whatever was on file of theirs
      touched.raised.add((UUID) e.getSession().getTenantIdentifierValue());
    }
  }

  @Override
  public boolean requiresPostCommitHandling(EntityPersister persister) {
    return false;
  }

  /** What a transaction has written of: to be raised, and erased for good. */
  private static final class Touched {
    /** Always in the same order, so that two transactions never wait for each other. */
    final TreeSet<UUID> raised = new TreeSet<>();

    final Set<UUID> gone = new HashSet<>();
  }

  private final Map<SharedSessionContractImplementor, Touched> open = new WeakHashMap<>();

  private void wrote(
      SharedSessionContractImplementor session,
      EntityPersister of,
      Object id,
      @Nullable Object[] state) {
    if (!of.getMappedClass().isAnnotationPresent(Unstamped.class)) {
      UUID whose = whose(of, id, state);
      touched(session)
          .raised
          .add(whose == null ? (UUID) session.getTenantIdentifierValue() : whose);
    }
  }

  private Touched touched(SharedSessionContractImplementor session) {
    synchronized (open) {
      Touched known = open.get(session);
      if (known != null) {
        return known;
      }
      Touched fresh = new Touched();
      open.put(session, fresh);
      var callbacks = session.getTransactionCompletionCallbacks();
      callbacks.registerCallback((BeforeCompletionCallback) this::raise);
      callbacks.registerCallback(
          (AfterCompletionCallback)
              (committed, s) -> {
                synchronized (open) {
                  open.remove(s);
                }
              });
      return fresh;
    }
  }

  private static @Nullable UUID whose(EntityPersister of, Object id, @Nullable Object[] state) {
    if (StampedItself.class.isAssignableFrom(of.getMappedClass())) {
      return (UUID) id;
    }
    String[] names = of.getPropertyNames();
    for (int i = 0; i < names.length; i++) {
      if (names[i].equals(CLIENT)) {
        return (UUID) state[i];
      }
    }
    return null;
  }

  private void raise(SharedSessionContractImplementor session) {
    Touched touched = touched(session);
    String studio = String.valueOf(session.getTenantIdentifierValue());
    ((Session) session)
        .doWork(
            connection -> {
              try (PreparedStatement up = connection.prepareStatement(Stamps.TOUCH);
                  PreparedStatement off = connection.prepareStatement(Stamps.FORGET)) {
                for (UUID id : touched.raised) {
                  if (!touched.gone.contains(id)) {
                    up.setString(1, id.toString());
                    up.setString(2, studio);
                    up.executeUpdate();
                  }
                }
                for (UUID id : touched.gone) {
                  off.setString(1, id.toString());
                  off.executeUpdate();
                }
              }
            });
  }
}
