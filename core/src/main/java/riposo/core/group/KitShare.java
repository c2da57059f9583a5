package riposo.core.group;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jgrapht.alg.interfaces.MatchingAlgorithm;
import org.jgrapht.alg.matching.MaximumWeightBipartiteMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/**
 * Shares the weights of a room among those who want one at the same time: as many as possible are
 * served, then the weights nearest under what is wanted, dumbbells before stand-ins. Matching by
 * JGraphT. Those who take two of a weight are matched first, then those who take one of what is
 * left.
 */
public final class KitShare {
  private static final double SERVED = 1_000_000;
  private static final double STAND_IN = 20_000;

  private KitShare() {}

  /** So many pieces of one weight. */
  public record Stock(int grams, String words, int count, boolean standIn) {}

  /**
   * Somebody who wants a weight.
   *
   * @param hands pieces wanted, 1 or 2
   * @param wantedGrams what history says, per hand
   * @param capGrams never more than this, per hand
   */
  public record Want(UUID person, int hands, int wantedGrams, int capGrams) {
    /** The smaller of what is wanted and what is permitted. */
    public int most() {
      return Math.min(wantedGrams, capGrams);
    }
  }

  /** A weight for somebody. */
  public record Given(UUID person, int hands, Stock stock) {}

  /**
   * Who gets what, who gets none, and what is left.
   *
   * @param left pieces left of each stock, in the order of the stock given
   */
  public record Shared(List<Given> given, List<Want> without, List<Stock> left) {}

  private record Piece(int stock, int number) {}

  public static Shared share(List<Stock> room, List<Want> wants) {
    int[] left = room.stream().mapToInt(Stock::count).toArray();
    List<Given> given = new ArrayList<>();
    Set<UUID> served = new HashSet<>();
    for (int hands = 2; hands >= 1; hands--) {
      match(room, left, wants, hands, given, served);
    }
    List<Stock> rest = new ArrayList<>();
    for (int i = 0; i < left.length; i++) {
      Stock s = room.get(i);
      if (left[i] > 0) {
        rest.add(new Stock(s.grams(), s.words(), left[i], s.standIn()));
      }
    }
    return new Shared(
        List.copyOf(given),
        wants.stream().filter(w -> !served.contains(w.person())).toList(),
        rest);
  }

  private static void match(
      List<Stock> room,
      int[] left,
      List<Want> wants,
      int hands,
      List<Given> given,
      Set<UUID> served) {
    SimpleWeightedGraph<Object, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    Set<Object> people = new HashSet<>();
    Set<Object> pieces = new HashSet<>();
    Map<Object, Piece> byPiece = new HashMap<>();
    for (Want w : wants) {
      if (w.hands() == hands) {
        people.add(w);
        graph.addVertex(w);
      }
    }
    if (people.isEmpty()) {
      return;
    }
    for (int i = 0; i < room.size(); i++) {
      for (int n = 0; n < Math.min(left[i] / hands, people.size()); n++) {
        Piece p = new Piece(i, n);
        pieces.add(p);
        byPiece.put(p, p);
        graph.addVertex(p);
        for (Object o : people) {
          Want w = (Want) o;
          Stock s = room.get(i);
          if (s.grams() <= w.most()) {
            DefaultWeightedEdge e = graph.addEdge(o, p);
            graph.setEdgeWeight(e, SERVED - (w.most() - s.grams()) - (s.standIn() ? STAND_IN : 0));
          }
        }
      }
    }
    if (pieces.isEmpty()) {
      return;
    }
    MatchingAlgorithm.Matching<Object, DefaultWeightedEdge> found =
        new MaximumWeightBipartiteMatching<>(graph, people, pieces).getMatching();
    for (DefaultWeightedEdge e : found.getEdges()) {
      Object a = graph.getEdgeSource(e);
      Object b = graph.getEdgeTarget(e);
      Want w = (Want) (a instanceof Want ? a : b);
      Piece p = (Piece) (a instanceof Piece ? a : b);
      left[p.stock()] -= hands;
      given.add(new Given(w.person(), hands, room.get(p.stock())));
      served.add(w.person());
    }
    given.sort(java.util.Comparator.comparing(Given::person));
  }
}
