String log = new File(basedir, 'build.log').text

assert log.contains('added table')
assert log.contains('changed column NAME: VARCHAR(40), was VARCHAR(20)')
assert log.contains('1 table of H2') && log.contains('2 tables of H2')
assert log.contains('Run vinekit:generate and look over what it writes')
assert log.contains('API: /pressings is new')
assert log.contains('Skipped, as vinekit.skip says.')
assert log.contains('PRESSING: 4 columns; key ID; refers to PRESS')
assert log.contains('The code is that for these tables.')
assert log.contains('Nothing to write: the code is up to date.')
assert log =~ /Would be written: .*new/
assert !new File(basedir, 'src/main/java/com/example/cellar/presshouse/entity/Pressing.java').exists()
assert new File(basedir, 'src/main/java/com/example/cellar/presshouse/entity/Press.java').exists()
assert new File(basedir, 'vinekit.yaml').text.contains('script: src/main/resources/db/changes')
