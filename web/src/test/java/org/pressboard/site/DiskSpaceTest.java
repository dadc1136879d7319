package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DiskSpaceTest {

    @ParameterizedTest
    @CsvSource({"100,50,false,false", "100,9,true,false", "4,1,true,true", "1000,0,true,true", "20,2,false,false", "20,1,true,true"})
    void littleIsATenthOrAGigabyte(long all, long free, boolean little, boolean urgent) {
        long gigabyte = 1024L * 1024 * 1024;
        DiskSpace disk = new DiskSpace(Path.of("."), folder -> free * gigabyte, folder -> all * gigabyte);
        assertThat(disk.little().isPresent()).isEqualTo(little);
        assertThat(disk.little().map(DiskSpace.Little::urgent).orElse(false)).isEqualTo(urgent);
    }
}
