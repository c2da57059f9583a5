package riposo.server.platform;

/** What statements have in common. */
public final class Sql {
  /**
   * Before a statement with a list of ids: it is sent with its values. Prepared by the server, how
   * its parameters compare is settled before they are known, and a list of them is looked for row
   * by row and not by an index.
   */
  public static final String LIST = "/*client prepare*/";

  private Sql() {}
}
