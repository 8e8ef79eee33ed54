package lucidsweep.server.web;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.core.convert.converter.ConverterFactory;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Reads constants in addresses by their codes, as bodies have them: {@code ?field=h1&state=drafted}. */
@Configuration
class CodeParameters implements WebMvcConfigurer {

    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverterFactory(new ByCode());
    }

    @SuppressWarnings("rawtypes")
    private static final class ByCode implements ConverterFactory<String, Enum> {

        @Override
        public <E extends Enum> Converter<String, E> getConverter(Class<E> type) {
            E[] constants = type.getEnumConstants();
            return code -> code.isEmpty() ? null : constant(constants, code);
        }

        private static <E> E constant(E[] constants, String code) {
            for (E each : constants) if (each.toString().equals(code)) return each;
            throw new UnknownCode("expected one of "
                    + Arrays.stream(constants).map(Object::toString).collect(Collectors.joining(", ")) + ", got \""
                    + code
                    + "\"");
        }
    }

    /** An address names a constant that there is not; the message lists those that there are. */
    static final class UnknownCode extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        private UnknownCode(String message) {
            super(message);
        }
    }
}
