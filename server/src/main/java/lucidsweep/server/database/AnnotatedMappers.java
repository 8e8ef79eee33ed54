package lucidsweep.server.database;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.session.Configuration;
import org.mybatis.spring.boot.autoconfigure.ConfigurationCustomizer;
import org.springframework.beans.factory.ListableBeanFactory;
import org.springframework.stereotype.Component;

/**
 * Tells MyBatis that mappers have their statements in annotations. It would look for a file beside each, twice and in every
 * library, which is an eighth of a start.
 */
@Component
final class AnnotatedMappers implements ConfigurationCustomizer {

    private final ListableBeanFactory beans;

    AnnotatedMappers(ListableBeanFactory beans) {
        this.beans = beans;
    }

    @Override
    public void customize(Configuration configuration) {
        for (String mapper : beans.getBeanNamesForAnnotation(Mapper.class)) {
            Class<?> type = beans.getType(mapper);
            if (type != null) configuration.addLoadedResource("namespace:" + type.getName());
        }
    }
}
