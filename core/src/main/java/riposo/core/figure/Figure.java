package riposo.core.figure;

/**
 * How a movement is drawn: its first and its last position, seen from the side or the front.
 *
 * @param id the key that movements name
 */
public record Figure(String id, View view, Angles start, Angles end) {
  /** Where the viewer stands: the person faces right in SIDE and the viewer in FRONT. */
  public enum View {
    SIDE,
    FRONT
  }
}
