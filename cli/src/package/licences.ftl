<#-- Writes docs/licences.md: mvn -Plicences package. Addresses are left out on purpose. -->
# What is shipped, and under which licence

Phalanx itself: Apache License 2.0. Fonts: IBM Plex Sans and Mono, Bravura, under the SIL Open Font License 1.1; its text stands beside them in `formats/src/main/resources/phalanx/formats/page/fonts`.

Libraries that are part of the program, written by `mvn -Plicences -DskipTests package`; those for tests and measuring are not shipped.

| library | version | licence |
|---|---|---|
<#list dependencyMap as e><#assign p = e.getKey()/><#assign licences = e.getValue()/><#if p.groupId != "phalanx">
| ${p.groupId}:${p.artifactId} | ${p.version} | <#list licences as licence>${licence}<#if licence_has_next>, or </#if></#list> |
</#if></#list>
