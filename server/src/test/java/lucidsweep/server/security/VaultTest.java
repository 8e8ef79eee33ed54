package lucidsweep.server.security;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VaultTest {

    @TempDir
    private Path data;

    @Test
    void opensWhatItSealedAndForThatPurposeOnly() throws IOException {
        byte[] sealed = new Vault(data).sealed("salt & tide – geheim", "login of property 7");
        assertThat(new String(sealed, StandardCharsets.ISO_8859_1)).doesNotContain("salt");
        assertThat(new Vault(data).opened(sealed, "login of property 7")).isEqualTo("salt & tide – geheim");
        assertThat(new Vault(data).sealed("same", "x")).isNotEqualTo(new Vault(data).sealed("same", "x"));
        assertThatThrownBy(() -> new Vault(data).opened(sealed, "login of property 8"))
                .hasMessage("a sealed text cannot be opened with the key in lucid-sweep.key");
        sealed[20] ^= 1;
        assertThatThrownBy(() -> new Vault(data).opened(sealed, "login of property 7"))
                .isInstanceOf(IllegalStateException.class);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve("lucid-sweep.key"))))
                .isEqualTo("rw-------");
    }
}
