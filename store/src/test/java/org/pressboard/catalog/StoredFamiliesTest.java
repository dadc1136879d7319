package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Of every sealed family that is kept, each member has a name to be kept by: a new one without is found here, not by an owner. */
class StoredFamiliesTest {

    private static final Set<Class<?>> NAMED = Arrays.stream(Definitions.class.getDeclaredClasses())
            .flatMap(mixed -> Stream.ofNullable(mixed.getAnnotation(JsonSubTypes.class)))
            .flatMap(types -> Arrays.stream(types.value())).map(JsonSubTypes.Type::value).collect(Collectors.toSet());

    private static Stream<Class<?>> families(Class<?> member) {
        return Arrays.stream(member.getInterfaces()).filter(Class::isSealed)
                .flatMap(family -> Stream.concat(Stream.of(family), families(family)));
    }

    private static Stream<Class<?>> members(Class<?> family) {
        return Arrays.stream(family.getPermittedSubclasses())
                .flatMap(each -> each.isSealed() ? members(each) : Stream.<Class<?>>of(each));
    }

    @Test
    void eachMemberHasAName() {
        Set<Class<?>> families = NAMED.stream().flatMap(StoredFamiliesTest::families).collect(Collectors.toSet());
        assertThat(families).as("conditions, operands, values, kinds of fields and more").hasSizeGreaterThan(8);
        Set<Class<?>> nameless = families.stream().flatMap(StoredFamiliesTest::members).collect(Collectors.toCollection(HashSet::new));
        nameless.removeAll(NAMED);
        assertThat(nameless).isEmpty();
    }
}
