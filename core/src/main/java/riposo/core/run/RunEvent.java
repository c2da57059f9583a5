package riposo.core.run;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.quantity.Pulse;

/**
 * One thing that happened in a run. Append-only; every event names its device, every entry, change
 * and sign its person. Stored and sent as the document "riposo-run/1".
 */
public sealed interface RunEvent {
  Stamp stamp();

  /** The same event under another stamp. */
  RunEvent with(Stamp other);

  default UUID id() {
    return stamp().id();
  }

  default long at() {
    return stamp().at();
  }

  /** The clock begins. */
  record Start(Stamp stamp) implements RunEvent {
    @Override
    public Start with(Stamp other) {
      return new Start(other);
    }
  }

  /** The clock stands. */
  record Pause(Stamp stamp) implements RunEvent {
    @Override
    public Pause with(Stamp other) {
      return new Pause(other);
    }
  }

  /** The clock goes on. */
  record Resume(Stamp stamp) implements RunEvent {
    @Override
    public Resume with(Stamp other) {
      return new Resume(other);
    }
  }

  /**
   * The timeline moves to the start of a segment.
   *
   * @param segment its index, 0 or more
   */
  record GoTo(Stamp stamp, int segment) implements RunEvent {
    public GoTo {
      if (segment < 0) {
        throw new IllegalArgumentException("segment must not be below 0, was " + segment);
      }
    }

    @Override
    public GoTo with(Stamp other) {
      return new GoTo(other, segment);
    }
  }

  /**
   * Rest is added: the timeline waits.
   *
   * @param seconds 1 to 600
   */
  record Extend(Stamp stamp, int seconds) implements RunEvent {
    public Extend {
      if (seconds < 1 || seconds > 600) {
        throw new IllegalArgumentException("rest is added by 1 to 600 s, was " + seconds);
      }
    }

    @Override
    public Extend with(Stamp other) {
      return new Extend(other, seconds);
    }
  }

  /**
   * A set is logged, or more is known of one.
   *
   * @param person whose set
   */
  record Logged(Stamp stamp, UUID person, Entry entry) implements RunEvent {
    public Logged {
      if (stamp.id().equals(entry.telling().corrects())) {
        throw new IllegalArgumentException("an entry does not correct itself");
      }
    }

    @Override
    public Logged with(Stamp other) {
      return new Logged(other, person, entry);
    }
  }

  /**
   * A slot is done otherwise: easier, harder, another, lighter, or left today.
   *
   * @param person whose slot
   */
  record Changed(Stamp stamp, UUID person, Change change) implements RunEvent {
    @Override
    public Changed with(Stamp other) {
      return new Changed(other, person, change);
    }
  }

  /**
   * A mild symptom is felt, or what became of it.
   *
   * @param person whose
   */
  record Unwell(Stamp stamp, UUID person, Symptom symptom, Symptom.How how, Symptom.Reading reading)
      implements RunEvent {
    @Override
    public Unwell with(Stamp other) {
      return new Unwell(other, person, symptom, how, reading);
    }
  }

  /**
   * A pulse of the run.
   *
   * @param person whose
   * @param afterWork seconds since the work ended, 0 to 3600; null while it goes on
   */
  record PulseRead(Stamp stamp, UUID person, Pulse pulse, From from, @Nullable Integer afterWork)
      implements RunEvent {
    /** Where a pulse comes from. */
    public enum From {
      TYPED,
      STRAP,
      /** The strap that ships with the product, which makes its pulse up. */
      SIMULATED
    }

    public PulseRead {
      if (afterWork != null && (afterWork < 0 || afterWork > 3600)) {
        throw new IllegalArgumentException(
            "a pulse is of 0 to 3600 s after the work, was " + afterWork);
      }
    }

    @Override
    public PulseRead with(Stamp other) {
      return new PulseRead(other, person, pulse, from, afterWork);
    }
  }

  /**
   * Somebody leaves before the end, or comes back.
   *
   * @param person who
   * @param why null when they are back
   */
  record Away(Stamp stamp, UUID person, @Nullable Leaving why) implements RunEvent {
    @Override
    public Away with(Stamp other) {
      return new Away(other, person, why);
    }
  }

  /**
   * Somebody comes to a run that has begun. Only the studio takes them in: it is no device's event.
   *
   * @param person who
   */
  record Joined(Stamp stamp, UUID person) implements RunEvent {
    @Override
    public Joined with(Stamp other) {
      return new Joined(other, person);
    }
  }

  /**
   * A sign of the stop panel.
   *
   * @param person whose sign; null for everybody of the run
   * @param words as the panel showed them
   * @param named whether the panel named the sign by its id; older ones told only words, and leave
   *     an emergency behind
   */
  record Stop(Stamp stamp, @Nullable UUID person, StopSign sign, String words, boolean named)
      implements RunEvent {
    @Override
    public Stop with(Stamp other) {
      return new Stop(other, person, sign, words, named);
    }

    /** What it leaves behind. */
    public StopSign.After after() {
      return named ? sign.after : StopSign.After.EMERGENCY;
    }
  }

  /** The run is over. */
  record Finish(Stamp stamp) implements RunEvent {
    @Override
    public Finish with(Stamp other) {
      return new Finish(other);
    }
  }
}
