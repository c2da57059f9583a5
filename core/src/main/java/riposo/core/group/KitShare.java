package riposo.core.group;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
    List<Want> people = wants.stream().filter(w -> w.hands() == hands).toList();
    List<Integer> pieces = new ArrayList<>();
    for (int i = 0; i < room.size(); i++) {
      pieces.addAll(Collections.nCopies(Math.min(left[i] / hands, people.size()), i));
    }
    if (people.isEmpty() || pieces.isEmpty()) {
      return;
    }
    // people are numbered from 0, pieces after them
    int first = people.size();
    SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    IntStream.range(0, first + pieces.size()).forEach(graph::addVertex);
    for (int p = 0; p < first; p++) {
      for (int i = 0; i < pieces.size(); i++) {
        int over = people.get(p).most() - room.get(pieces.get(i)).grams();
        if (over >= 0) {
          graph.setEdgeWeight(
              graph.addEdge(p, first + i),
              SERVED - over - (room.get(pieces.get(i)).standIn() ? STAND_IN : 0));
        }
      }
    }
    MatchingAlgorithm.Matching<Integer, DefaultWeightedEdge> found =
        new MaximumWeightBipartiteMatching<>(
                graph, numbers(0, first), numbers(first, first + pieces.size()))
            .getMatching();
    for (DefaultWeightedEdge e : found.getEdges()) {
      Want w = people.get(graph.getEdgeSource(e));
      int stock = pieces.get(graph.getEdgeTarget(e) - first);
      left[stock] -= hands;
      given.add(new Given(w.person(), hands, room.get(stock)));
      served.add(w.person());
    }
    given.sort(java.util.Comparator.comparing(Given::person));
  }

  private static Set<Integer> numbers(int from, int to) {
    return IntStream.range(from, to).boxed().collect(Collectors.toCollection(LinkedHashSet::new));
  }
}
