package org.pressboard.catalog;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.edition.PageKey;
import org.pressboard.edition.Part;
import org.pressboard.edition.PartKey;
import org.pressboard.form.Afterwards;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.GroupKey;
import org.pressboard.listing.Layout;
import org.pressboard.listing.ListingKey;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The core's definitions as JSON, as they are kept in the database. The core knows nothing of JSON; how each sealed
 * family is told apart is said here. Names of types in the JSON never change once released.
 */
public final class Definitions {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(SerializationFeature.FAIL_ON_EMPTY_BEANS)
            // what follows from the rest is not kept
            .changeDefaultVisibility(seen -> seen.withIsGetterVisibility(JsonAutoDetect.Visibility.NONE))
            // what was kept before there was such a thing to say has it not said
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .addMixIn(TableKey.class, Named.class)
            .addMixIn(FieldKey.class, Named.class)
            .addMixIn(ListingKey.class, Named.class)
            .addMixIn(FormKey.class, Named.class)
            .addMixIn(GroupKey.class, Named.class)
            .addMixIn(PageKey.class, Named.class)
            .addMixIn(PartKey.class, Named.class)
            .addMixIn(RowId.class, Numbered.class)
            .addMixIn(Fields.class, FieldList.class)
            .addMixIn(Problems.class, ProblemList.class)
            .addMixIn(FieldType.class, FieldTypes.class)
            .addMixIn(Computed.class, Computations.class)
            .addMixIn(Computed.Part.class, Parts.class)
            .addMixIn(Condition.class, Conditions.class)
            .addMixIn(Operand.class, Operands.class)
            .addMixIn(Value.class, Values.class)
            .addMixIn(Audience.class, Audiences.class)
            .addMixIn(Afterwards.class, Followings.class)
            .addMixIn(Part.class, PageParts.class)
            .addMixIn(Layout.class, Layouts.class)
            .build();

    private Definitions() {
    }

    public static String write(Object definition) {
        return MAPPER.writeValueAsString(definition);
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    static JsonNode tree(Object definition) {
        return MAPPER.valueToTree(definition);
    }

    static <T> T of(JsonNode tree, Class<T> type) {
        return MAPPER.treeToValue(tree, type);
    }

    public static <T> T read(String json, TypeReference<T> type) {
        return MAPPER.readValue(json, type);
    }

    @JsonIgnoreProperties(ignoreUnknown = true)
    private abstract static class Named {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        Named(@SuppressWarnings("unused") String name) {
        }

        @JsonValue
        abstract String name();
    }

    private abstract static class Numbered {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        Numbered(@SuppressWarnings("unused") long number) {
        }

        @JsonValue
        abstract long number();
    }

    private abstract static class FieldList {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        FieldList(@SuppressWarnings("unused") List<Field> all) {
        }

        @JsonValue
        abstract List<Field> all();
    }

    private abstract static class ProblemList {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        ProblemList(@SuppressWarnings("unused") List<Problem> all) {
        }

        @JsonValue
        abstract List<Problem> all();
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
    @JsonSubTypes({
        @Type(name = "text", value = Textual.Text.class),
        @Type(name = "long-text", value = Textual.LongText.class),
        @Type(name = "formatted-text", value = Textual.FormattedText.class),
        @Type(name = "email", value = Textual.Email.class),
        @Type(name = "link", value = Textual.Link.class),
        @Type(name = "phone", value = Textual.Phone.class),
        @Type(name = "whole-number", value = Numeric.WholeNumber.class),
        @Type(name = "decimal", value = Numeric.Decimal.class),
        @Type(name = "money", value = Numeric.Money.class),
        @Type(name = "percent", value = Numeric.Percent.class),
        @Type(name = "rating", value = Numeric.Rating.class),
        @Type(name = "yes-no", value = FieldType.YesNo.class),
        @Type(name = "date", value = Temporal.Date.class),
        @Type(name = "date-time", value = Temporal.DateTime.class),
        @Type(name = "time", value = Temporal.TimeOfDay.class),
        @Type(name = "choice", value = Chosen.Choice.class),
        @Type(name = "choices", value = Chosen.Choices.class),
        @Type(name = "reference", value = Referring.Reference.class),
        @Type(name = "references", value = Referring.References.class),
        @Type(name = "person", value = Referring.Person.class),
        @Type(name = "picture", value = Attached.Picture.class),
        @Type(name = "pictures", value = Attached.Pictures.class),
        @Type(name = "file", value = Attached.File.class)
    })
    private interface FieldTypes {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "made")
    @JsonSubTypes({
        @Type(name = "borrowing", value = Computed.Borrowed.class),
        @Type(name = "tallying", value = Computed.Tally.class),
        @Type(name = "composing", value = Computed.Composed.class),
        @Type(name = "noted", value = Computed.Noted.class)
    })
    private interface Computations {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "part")
    @JsonSubTypes({
        @Type(name = "words", value = Computed.Part.Words.class),
        @Type(name = "field", value = Computed.Part.OfField.class)
    })
    private interface Parts {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @Type(name = "all", value = Condition.All.class),
        @Type(name = "any", value = Condition.Any.class),
        @Type(name = "not", value = Condition.Not.class),
        @Type(name = "compare", value = Condition.Compare.class),
        @Type(name = "one-of", value = Condition.OneOf.class),
        @Type(name = "between", value = Condition.Between.class),
        @Type(name = "empty", value = Condition.Empty.class),
        @Type(name = "mentions", value = Condition.Mentions.class),
        @Type(name = "owned", value = Condition.Owned.class),
        @Type(name = "sent", value = Condition.Sent.class)
    })
    private interface Conditions {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "from")
    @JsonSubTypes({
        @Type(name = "fixed", value = Operand.Fixed.class),
        @Type(name = "visitor", value = Operand.OfVisitor.class),
        @Type(name = "page", value = Operand.OfPage.class),
        @Type(name = "row", value = Operand.OfReferred.class),
        @Type(name = "open", value = Operand.OfOpen.class),
        @Type(name = "dial", value = Operand.Dial.class),
        @Type(name = "today", value = Operand.Today.class),
        @Type(name = "beginning", value = Operand.Beginning.class)
    })
    private interface Operands {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "who")
    @JsonSubTypes({
        @Type(name = "everyone", value = Audience.Everyone.class),
        @Type(name = "members", value = Audience.Members.class),
        @Type(name = "group", value = Audience.Those.class)
    })
    private interface Audiences {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "then")
    @JsonSubTypes({
        @Type(name = "thanks", value = Afterwards.Thanks.class),
        @Type(name = "page", value = Afterwards.ToPage.class),
        @Type(name = "row", value = Afterwards.ToRow.class)
    })
    private interface Followings {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "part")
    @JsonSubTypes({
        @Type(name = "listing", value = Part.OfListing.class),
        @Type(name = "form", value = Part.OfForm.class),
        @Type(name = "text", value = Part.OfText.class),
        @Type(name = "picture", value = Part.OfPicture.class),
        @Type(name = "rule", value = Part.OfRule.class)
    })
    private interface PageParts {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "as")
    @JsonSubTypes({
        @Type(name = "table", value = Layout.AsTable.class),
        @Type(name = "cards", value = Layout.AsCards.class),
        @Type(name = "strip", value = Layout.AsStrip.class)
    })
    private interface Layouts {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @Type(name = "text", value = Value.Text.class),
        @Type(name = "whole", value = Value.Whole.class),
        @Type(name = "decimal", value = Value.Decimal.class),
        @Type(name = "yes-no", value = Value.YesNo.class),
        @Type(name = "date", value = Value.Date.class),
        @Type(name = "moment", value = Value.Moment.class),
        @Type(name = "time", value = Value.Time.class),
        @Type(name = "row", value = Value.Referred.class),
        @Type(name = "file", value = Value.Attachment.class),
        @Type(name = "several", value = Value.Several.class)
    })
    private interface Values {
    }
}
