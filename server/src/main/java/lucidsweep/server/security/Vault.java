package lucidsweep.server.security;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Seals texts with AES-256-GCM. The key is a file beside the database that only its owner may read; a copy of the database
 * alone gives nothing away.
 */
@Component
public final class Vault {

    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final Path file;
    private final SecureRandom random = new SecureRandom();

    Vault(@Value("${lucid.data}") Path data) {
        file = data.resolve("lucid-sweep.key");
    }

    /**
     * Seals a text.
     *
     * @param purpose what it is for; a sealed text opens only for the same
     */
    public byte[] sealed(String text, String purpose) {
        byte[] nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        byte[] secret = run(Cipher.ENCRYPT_MODE, nonce, text.getBytes(StandardCharsets.UTF_8), purpose);
        byte[] sealed = Arrays.copyOf(nonce, NONCE_BYTES + secret.length);
        System.arraycopy(secret, 0, sealed, NONCE_BYTES, secret.length);
        return sealed;
    }

    /**
     * Opens a sealed text.
     *
     * @throws IllegalStateException where it was sealed with another key or for another purpose
     */
    public String opened(byte[] sealed, String purpose) {
        byte[] nonce = Arrays.copyOf(sealed, NONCE_BYTES);
        byte[] text = run(Cipher.DECRYPT_MODE, nonce, Arrays.copyOfRange(sealed, NONCE_BYTES, sealed.length), purpose);
        return new String(text, StandardCharsets.UTF_8);
    }

    private byte[] run(int mode, byte[] nonce, byte[] input, String purpose) {
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, new SecretKeySpec(key(), "AES"), new GCMParameterSpec(TAG_BITS, nonce));
            cipher.updateAAD(purpose.getBytes(StandardCharsets.UTF_8));
            return cipher.doFinal(input);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("a sealed text cannot be opened with the key in " + file.getFileName(), e);
        }
    }

    private synchronized byte[] key() {
        try {
            if (!Files.exists(file)) create();
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void create() throws IOException {
        byte[] key = new byte[KEY_BYTES];
        random.nextBytes(key);
        boolean posix = FileSystems.getDefault().supportedFileAttributeViews().contains("posix");
        FileAttribute<?>[] ownerOnly = posix
                ? new FileAttribute<?>[] {
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"))
                }
                : new FileAttribute<?>[0];
        try {
            Files.createFile(file, ownerOnly);
            Files.write(file, key, StandardOpenOption.WRITE);
        } catch (FileAlreadyExistsException another) {
            // Somebody else was faster; theirs is read.
        }
    }
}
