package lucidsweep.server.gather;

/**
 * What a server answered.
 *
 * @param contentType the media type in lower case, without parameters; "" where none came
 * @param charset the charset parameter; null where none came
 * @param location where a redirect leads; "" where there is none
 * @param robots the X-Robots-Tag headers that concern us, joined by ", "
 * @param body at most the limit; decoded
 * @param cutOff whether the body was longer than the limit
 */
record Fetched(
        int status,
        String contentType,
        String charset,
        String location,
        String robots,
        byte[] body,
        boolean cutOff,
        int millis) {

    boolean isRedirect() {
        return status >= 300 && status < 400 && !location.isEmpty();
    }

    boolean isHtml() {
        if (contentType.isEmpty()) return startsWithMarkup();
        return contentType.equals("text/html") || contentType.equals("application/xhtml+xml");
    }

    private boolean startsWithMarkup() {
        for (byte b : body) {
            if (b == '<') return true;
            if (b > ' ') return false;
        }
        return false;
    }
}
