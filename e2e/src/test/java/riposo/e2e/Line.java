package riposo.e2e;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/** A line to the studio's server that can be cut and mended: without it a device has no network. */
final class Line implements AutoCloseable {
  private final int port;
  private final int server;
  private final Set<Socket> open = ConcurrentHashMap.newKeySet();
  private volatile @Nullable ServerSocket listening;

  /** A line to the server of the journeys. */
  Line() throws IOException {
    this(Integer.parseInt(System.getProperty("riposo.port", "18080")));
  }

  Line(int server) throws IOException {
    this.server = server;
    try (ServerSocket free = new ServerSocket(0, 50, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    mend();
  }

  String url(String path) {
    return "http://127.0.0.1:" + port + path;
  }

  /** Nobody answers any more, and what was open is gone. */
  void cut() throws IOException {
    ServerSocket now = listening;
    if (now != null) {
      now.close();
    }
    listening = null;
    for (Socket s : open) {
      s.close();
    }
    open.clear();
  }

  /** There is a line again, at the same address. */
  void mend() throws IOException {
    ServerSocket s = new ServerSocket(port, 50, InetAddress.getLoopbackAddress());
    listening = s;
    Thread t = new Thread(() -> accept(s));
    t.setDaemon(true);
    t.start();
  }

  private void accept(ServerSocket from) {
    while (!from.isClosed()) {
      try {
        Socket device = from.accept();
        Socket there = new Socket(InetAddress.getLoopbackAddress(), server);
        open.add(device);
        open.add(there);
        if (from.isClosed()) {
          device.close(); // cut while it was being put through
          there.close();
          return;
        }
        carry(device, there);
        carry(there, device);
      } catch (IOException e) {
        return; // cut
      }
    }
  }

  private void carry(Socket from, Socket to) {
    Thread t =
        new Thread(
            () -> {
              try (from;
                  to) {
                from.getInputStream().transferTo(to.getOutputStream());
              } catch (IOException e) {
                // cut, or done
              }
            });
    t.setDaemon(true);
    t.start();
  }

  @Override
  public void close() throws IOException {
    cut();
  }
}
