package lucidsweep.standins;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CopyOnWriteArrayList;

/** A mail server on loopback that keeps what it is sent (SMTP, RFC 5321, as much of it as sending a mail needs). */
public final class MailServer implements AutoCloseable {

    private final ServerSocket socket;
    private final List<String> mails = new CopyOnWriteArrayList<>();

    public MailServer() {
        this(0);
    }

    /** @param port 0 for any that is free */
    public MailServer(int port) {
        try {
            socket = new ServerSocket(port, 10, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Thread thread = new Thread(this::serve, "mail server");
        thread.setDaemon(true);
        thread.start();
    }

    public int port() {
        return socket.getLocalPort();
    }

    /** Every mail as it was sent, headers and all. */
    public List<String> mails() {
        return List.copyOf(mails);
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void serve() {
        while (!socket.isClosed()) {
            try (Socket client = socket.accept()) {
                converse(client);
            } catch (IOException e) {
                // The client went away, or this is being closed.
            }
        }
    }

    private void converse(Socket client) throws IOException {
        BufferedReader in = new BufferedReader(new InputStreamReader(client.getInputStream(), StandardCharsets.UTF_8));
        PrintWriter out = new PrintWriter(client.getOutputStream(), false, StandardCharsets.UTF_8);
        say(out, "220 stand-in");
        for (String line = in.readLine(); line != null; line = in.readLine()) {
            String command = line.toUpperCase(Locale.ROOT);
            if (command.startsWith("DATA")) {
                say(out, "354 go on");
                mails.add(read(in));
                say(out, "250 kept");
            } else if (command.startsWith("QUIT")) {
                say(out, "221 bye");
                return;
            } else if (command.startsWith("RCPT") && command.contains("NOBODY@")) {
                say(out, "550 nobody of this name is here");
            } else {
                say(out, "250 fine");
            }
        }
    }

    private static String read(BufferedReader in) throws IOException {
        StringBuilder mail = new StringBuilder();
        for (String line = in.readLine(); line != null && !line.equals("."); line = in.readLine())
            mail.append(line.startsWith(".") ? line.substring(1) : line).append('\n');
        return mail.toString();
    }

    private static void say(PrintWriter out, String line) {
        out.print(line + "\r\n");
        out.flush();
    }
}
