package org.pressboard.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "site")
class SiteEntity {

    static final short ONLY = 1;

    @Id
    private short id;

    private String name;
    private String language;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected SiteEntity() {
    }

    Site toSite() {
        return new Site(name, language);
    }

    void change(Site site) {
        name = site.name();
        language = site.languageTag();
    }
}
