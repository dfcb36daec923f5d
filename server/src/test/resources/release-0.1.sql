BEGIN TRANSACTION;
CREATE TABLE account (
  name TEXT PRIMARY KEY, role TEXT NOT NULL, password_hash TEXT NOT NULL, one_time INTEGER NOT NULL,
  failures INTEGER NOT NULL DEFAULT 0, locked_until TEXT, created_at TEXT NOT NULL);
INSERT INTO "account" VALUES('admin','ADMINISTRATOR','$2a$11$BAB6Cv00Iov2aw5aA98Jy.4REpYOAn9S5NVF26EIJjSRjS1C7u2e.',0,0,NULL,'2026-11-25T22:03:23.308661384Z');
CREATE TABLE attempt (
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, key TEXT NOT NULL, written TEXT NOT NULL,
  read_back TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (camera, key));
INSERT INTO "attempt" VALUES(34,'motion.analyses-per-second','item:5','item:2','2026-11-25T22:03:37.049585708Z');
CREATE TABLE baseline (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, hash TEXT NOT NULL REFERENCES content(hash));
INSERT INTO "baseline" VALUES(7,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(8,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(9,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(10,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(11,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(12,'6c08005be981df81b7e2e004278871f6');
INSERT INTO "baseline" VALUES(13,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(14,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(15,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(16,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(17,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(18,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(19,'c1a898b38b44cfc7d1177faed51beb36');
INSERT INTO "baseline" VALUES(20,'df6b279ae4ad819ecf23a741fbb18d90');
INSERT INTO "baseline" VALUES(21,'df6b279ae4ad819ecf23a741fbb18d90');
INSERT INTO "baseline" VALUES(22,'df6b279ae4ad819ecf23a741fbb18d90');
INSERT INTO "baseline" VALUES(23,'df6b279ae4ad819ecf23a741fbb18d90');
INSERT INTO "baseline" VALUES(24,'df6b279ae4ad819ecf23a741fbb18d90');
INSERT INTO "baseline" VALUES(25,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(26,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(27,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(28,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(29,'cc38dfe513587e8b978419c7a057030b');
INSERT INTO "baseline" VALUES(30,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(31,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(32,'74487c921ca8dea87ce54cb5018e0d75');
INSERT INTO "baseline" VALUES(33,'d616880dc4448b71082ac1884004c2dd');
INSERT INTO "baseline" VALUES(34,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(35,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(36,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(37,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(38,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(39,'62003ada01d12c85680b708bc1cf7fde');
INSERT INTO "baseline" VALUES(40,'71a76912f67afa99fe4a4c4bcc715de5');
INSERT INTO "baseline" VALUES(41,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(42,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(43,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(44,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(45,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(46,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(47,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(48,'bfca91c8b636a2808ddd77a73bac290e');
INSERT INTO "baseline" VALUES(49,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(50,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(51,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(52,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(53,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(54,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(55,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(56,'033c21b8fd718c5a8580d1ae6ed669f4');
INSERT INTO "baseline" VALUES(57,'0eae17e44a20627f60f739d4f16dfc66');
INSERT INTO "baseline" VALUES(58,'3d9fd1308b9f9d729029943506ee0597');
INSERT INTO "baseline" VALUES(59,'3d9fd1308b9f9d729029943506ee0597');
INSERT INTO "baseline" VALUES(60,'3d9fd1308b9f9d729029943506ee0597');
INSERT INTO "baseline" VALUES(61,'cc8d11a4a228d4630b2b76eea4d43a0a');
INSERT INTO "baseline" VALUES(62,'3d9fd1308b9f9d729029943506ee0597');
INSERT INTO "baseline" VALUES(63,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(64,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(65,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(66,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(67,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(68,'7f5939cafa77e9730ca326fe11afb0fe');
INSERT INTO "baseline" VALUES(69,'0b3cce225f9659831c47a7fee9ad7403');
INSERT INTO "baseline" VALUES(70,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(71,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(72,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(73,'ccb521067edd951ac992b5814e8c8f59');
INSERT INTO "baseline" VALUES(74,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(75,'5c94bf022b2701f6d333cd80acba6117');
INSERT INTO "baseline" VALUES(76,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(77,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(78,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(79,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(80,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(81,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(82,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(83,'523ebcf85486e133fe89010f9720c89b');
INSERT INTO "baseline" VALUES(84,'523ebcf85486e133fe89010f9720c89b');
INSERT INTO "baseline" VALUES(85,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(86,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(87,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(88,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(89,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(90,'fb1f0c8a739e35594e153a1e29352cd5');
INSERT INTO "baseline" VALUES(91,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(92,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(93,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(94,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(95,'e8393b36a12a6c42d8387d67b5229929');
INSERT INTO "baseline" VALUES(96,'e8393b36a12a6c42d8387d67b5229929');
CREATE TABLE calendar (
  name TEXT PRIMARY KEY, title TEXT NOT NULL, dates TEXT NOT NULL, version INTEGER NOT NULL DEFAULT 1);
INSERT INTO "calendar" VALUES('public-holidays','Public holidays of the islands','2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly',1);
INSERT INTO "calendar" VALUES('winter-timetable','Fewer boats, and the early one later','2026-11-01..2027-03-27',1);
CREATE TABLE camera (
  id INTEGER PRIMARY KEY, recorder TEXT NOT NULL REFERENCES recorder(name) ON DELETE CASCADE, channel TEXT NOT NULL,
  label TEXT NOT NULL, device_name TEXT NOT NULL, camera_group TEXT NOT NULL REFERENCES camera_group(path),
  tags TEXT NOT NULL DEFAULT '', version INTEGER NOT NULL DEFAULT 1, UNIQUE (recorder, channel));
INSERT INTO "camera" VALUES(1,'yard-1','01','Slipway','','fleet/yard','outside',2);
INSERT INTO "camera" VALUES(2,'yard-1','02','Tarpaulin shed','','fleet/yard','outside',2);
INSERT INTO "camera" VALUES(3,'yard-1','03','Plate store','','fleet/yard','outside',2);
INSERT INTO "camera" VALUES(4,'yard-1','04','Gate','','fleet/yard','outside',2);
INSERT INTO "camera" VALUES(5,'yard-1','05','Grass bank','','fleet/yard','far-view,outside',2);
INSERT INTO "camera" VALUES(6,'yard-1','06','Workshop door','','fleet/yard','outside',2);
INSERT INTO "camera" VALUES(7,'tystie-1','01','Foredeck','tystie-1-cam-01','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(8,'tystie-1','02','Aft deck','tystie-1-cam-02','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(9,'tystie-1','03','Car deck','tystie-1-cam-03','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(10,'tystie-1','04','Engine room','tystie-1-cam-04','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(11,'tystie-1','05','Passenger saloon','tystie-1-cam-05','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(12,'tystie-1','06','Embarkation door','tystie-1-cam-06','fleet/vessels/tystie','on-board',2);
INSERT INTO "camera" VALUES(13,'brannick-2','01','Ticket desks','brannick-2-cam-01','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(14,'brannick-2','02','Hall entrance','brannick-2-cam-02','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(15,'brannick-2','03','Waiting benches','brannick-2-cam-03','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(16,'brannick-2','04','Left luggage','brannick-2-cam-04','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(17,'brannick-2','05','Stairs to gangway','brannick-2-cam-05','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(18,'brannick-2','06','Staff door','brannick-2-cam-06','fleet/terminals/brannick/hall','inside',2);
INSERT INTO "camera" VALUES(19,'oycewick-2','01','Ticket desks','oycewick-2-cam-01','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(20,'oycewick-2','02','Hall entrance','oycewick-2-cam-02','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(21,'oycewick-2','03','Waiting benches','oycewick-2-cam-03','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(22,'oycewick-2','04','Left luggage','oycewick-2-cam-04','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(23,'oycewick-2','05','Stairs to gangway','oycewick-2-cam-05','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(24,'oycewick-2','06','Staff door','oycewick-2-cam-06','fleet/terminals/oycewick/hall','inside',2);
INSERT INTO "camera" VALUES(25,'corrie-1','01','Foredeck','corrie-1-cam-01','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(26,'corrie-1','02','Aft deck','corrie-1-cam-02','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(27,'corrie-1','03','Car deck forward','corrie-1-cam-03','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(28,'corrie-1','04','Car deck aft','corrie-1-cam-04','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(29,'corrie-1','05','Engine room port','corrie-1-cam-05','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(30,'corrie-1','06','Engine room starboard','corrie-1-cam-06','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(31,'corrie-1','07','Passenger saloon','corrie-1-cam-07','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(32,'corrie-1','08','Embarkation door','corrie-1-cam-08','fleet/vessels/corrie','on-board',2);
INSERT INTO "camera" VALUES(33,'sandsay-2','01','Pier head','sandsay-2-cam-01','fleet/terminals/sandsay/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(34,'sandsay-2','02','Pier root','sandsay-2-cam-02','fleet/terminals/sandsay/quay','outside',2);
INSERT INTO "camera" VALUES(35,'sandsay-2','03','Linkspan foot','sandsay-2-cam-03','fleet/terminals/sandsay/quay','outside',2);
INSERT INTO "camera" VALUES(36,'sandsay-2','04','Linkspan top','sandsay-2-cam-04','fleet/terminals/sandsay/quay','outside',2);
INSERT INTO "camera" VALUES(37,'sandsay-2','05','Gangway','sandsay-2-cam-05','fleet/terminals/sandsay/quay','outside',2);
INSERT INTO "camera" VALUES(38,'sandsay-2','06','Mooring bollards','sandsay-2-cam-06','fleet/terminals/sandsay/quay','outside',2);
INSERT INTO "camera" VALUES(39,'sandsay-2','07','Swell wall','sandsay-2-cam-07','fleet/terminals/sandsay/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(40,'sandsay-2','08','Channel 8','sandsay-2-cam-08','fleet/spare','no-camera',2);
INSERT INTO "camera" VALUES(41,'haldr-2','01','Ticket desks','haldr-2-cam-01','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(42,'haldr-2','02','Hall entrance','haldr-2-cam-02','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(43,'haldr-2','03','Waiting benches','haldr-2-cam-03','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(44,'haldr-2','04','Left luggage','haldr-2-cam-04','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(45,'haldr-2','05','Stairs to gangway','haldr-2-cam-05','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(46,'haldr-2','06','Staff door','haldr-2-cam-06','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(47,'haldr-2','07','Baggage belt','haldr-2-cam-07','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(48,'haldr-2','08','Lift lobby','haldr-2-cam-08','fleet/terminals/haldr/hall','inside',2);
INSERT INTO "camera" VALUES(49,'sandsay-1','01','Ticket desks','sandsay-1-cam-01','fleet/terminals/sandsay/hall','inside',2);
INSERT INTO "camera" VALUES(50,'sandsay-1','02','Hall entrance','sandsay-1-cam-02','fleet/terminals/sandsay/hall','inside',2);
INSERT INTO "camera" VALUES(51,'sandsay-1','03','Waiting benches','sandsay-1-cam-03','fleet/terminals/sandsay/hall','inside',2);
INSERT INTO "camera" VALUES(52,'sandsay-1','04','Left luggage','sandsay-1-cam-04','fleet/terminals/sandsay/hall','inside',2);
INSERT INTO "camera" VALUES(53,'sandsay-1','05','Lane 1 check-in','sandsay-1-cam-05','fleet/terminals/sandsay/lanes','night,outside',2);
INSERT INTO "camera" VALUES(54,'sandsay-1','06','Lane 2 check-in','sandsay-1-cam-06','fleet/terminals/sandsay/lanes','night,outside',2);
INSERT INTO "camera" VALUES(55,'sandsay-1','07','Lane 3 waiting','sandsay-1-cam-07','fleet/terminals/sandsay/lanes','night,outside',2);
INSERT INTO "camera" VALUES(56,'sandsay-1','08','Lane 4 waiting','sandsay-1-cam-08','fleet/terminals/sandsay/lanes','night,outside',2);
INSERT INTO "camera" VALUES(57,'oycewick-1','01','Pier head','oycewick-1-cam-01','fleet/terminals/oycewick/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(58,'oycewick-1','02','Pier root','oycewick-1-cam-02','fleet/terminals/oycewick/quay','outside',2);
INSERT INTO "camera" VALUES(59,'oycewick-1','03','Linkspan foot','oycewick-1-cam-03','fleet/terminals/oycewick/quay','outside',2);
INSERT INTO "camera" VALUES(60,'oycewick-1','04','Linkspan top','oycewick-1-cam-04','fleet/terminals/oycewick/quay','outside',2);
INSERT INTO "camera" VALUES(61,'oycewick-1','05','Gangway','oycewick-1-cam-05','fleet/terminals/oycewick/quay','outside',2);
INSERT INTO "camera" VALUES(62,'oycewick-1','06','Mooring bollards','oycewick-1-cam-06','fleet/terminals/oycewick/quay','outside',2);
INSERT INTO "camera" VALUES(63,'oycewick-1','07','Lane 1 check-in','oycewick-1-cam-07','fleet/terminals/oycewick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(64,'oycewick-1','08','Lane 2 check-in','oycewick-1-cam-08','fleet/terminals/oycewick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(65,'oycewick-1','09','Lane 3 waiting','oycewick-1-cam-09','fleet/terminals/oycewick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(66,'oycewick-1','10','Lane 4 waiting','oycewick-1-cam-10','fleet/terminals/oycewick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(67,'oycewick-1','11','Exit barrier','oycewick-1-cam-11','fleet/terminals/oycewick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(68,'oycewick-1','12','Channel 12','oycewick-1-cam-12','fleet/spare','no-camera',2);
INSERT INTO "camera" VALUES(69,'haldr-1','01','Pier head','haldr-1-cam-01','fleet/terminals/haldr/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(70,'haldr-1','02','Pier root','haldr-1-cam-02','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(71,'haldr-1','03','Linkspan foot','haldr-1-cam-03','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(72,'haldr-1','04','Linkspan top','haldr-1-cam-04','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(73,'haldr-1','05','Gangway','haldr-1-cam-05','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(74,'haldr-1','06','Mooring bollards','haldr-1-cam-06','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(75,'haldr-1','07','Swell wall','haldr-1-cam-07','fleet/terminals/haldr/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(76,'haldr-1','08','Freight apron','haldr-1-cam-08','fleet/terminals/haldr/quay','outside',2);
INSERT INTO "camera" VALUES(77,'haldr-1','09','Lane 1 check-in','haldr-1-cam-09','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(78,'haldr-1','10','Lane 2 check-in','haldr-1-cam-10','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(79,'haldr-1','11','Lane 3 waiting','haldr-1-cam-11','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(80,'haldr-1','12','Lane 4 waiting','haldr-1-cam-12','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(81,'haldr-1','13','Exit barrier','haldr-1-cam-13','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(82,'haldr-1','14','Freight gate','haldr-1-cam-14','fleet/terminals/haldr/lanes','night,outside',2);
INSERT INTO "camera" VALUES(83,'haldr-1','15','Channel 15','haldr-1-cam-15','fleet/spare','no-camera',2);
INSERT INTO "camera" VALUES(84,'haldr-1','16','Channel 16','haldr-1-cam-16','fleet/spare','no-camera',2);
INSERT INTO "camera" VALUES(85,'brannick-1','01','Pier head','brannick-1-cam-01','fleet/terminals/brannick/quay','far-view,outside',2);
INSERT INTO "camera" VALUES(86,'brannick-1','02','Pier root','brannick-1-cam-02','fleet/terminals/brannick/quay','outside',2);
INSERT INTO "camera" VALUES(87,'brannick-1','03','Linkspan foot','brannick-1-cam-03','fleet/terminals/brannick/quay','outside',2);
INSERT INTO "camera" VALUES(88,'brannick-1','04','Linkspan top','brannick-1-cam-04','fleet/terminals/brannick/quay','outside',2);
INSERT INTO "camera" VALUES(89,'brannick-1','05','Gangway','brannick-1-cam-05','fleet/terminals/brannick/quay','outside',2);
INSERT INTO "camera" VALUES(90,'brannick-1','06','Mooring bollards','brannick-1-cam-06','fleet/terminals/brannick/quay','outside',2);
INSERT INTO "camera" VALUES(91,'brannick-1','07','Lane 1 check-in','brannick-1-cam-07','fleet/terminals/brannick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(92,'brannick-1','08','Lane 2 check-in','brannick-1-cam-08','fleet/terminals/brannick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(93,'brannick-1','09','Lane 3 waiting','brannick-1-cam-09','fleet/terminals/brannick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(94,'brannick-1','10','Lane 4 waiting','brannick-1-cam-10','fleet/terminals/brannick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(95,'brannick-1','11','Exit barrier','brannick-1-cam-11','fleet/terminals/brannick/lanes','night,outside',2);
INSERT INTO "camera" VALUES(96,'brannick-1','12','Freight gate','brannick-1-cam-12','fleet/terminals/brannick/lanes','night,outside',2);
CREATE TABLE camera_group (path TEXT PRIMARY KEY);
INSERT INTO "camera_group" VALUES('fleet');
INSERT INTO "camera_group" VALUES('fleet/spare');
INSERT INTO "camera_group" VALUES('fleet/terminals');
INSERT INTO "camera_group" VALUES('fleet/terminals/brannick');
INSERT INTO "camera_group" VALUES('fleet/terminals/brannick/hall');
INSERT INTO "camera_group" VALUES('fleet/terminals/brannick/lanes');
INSERT INTO "camera_group" VALUES('fleet/terminals/brannick/quay');
INSERT INTO "camera_group" VALUES('fleet/terminals/haldr');
INSERT INTO "camera_group" VALUES('fleet/terminals/haldr/hall');
INSERT INTO "camera_group" VALUES('fleet/terminals/haldr/lanes');
INSERT INTO "camera_group" VALUES('fleet/terminals/haldr/quay');
INSERT INTO "camera_group" VALUES('fleet/terminals/oycewick');
INSERT INTO "camera_group" VALUES('fleet/terminals/oycewick/hall');
INSERT INTO "camera_group" VALUES('fleet/terminals/oycewick/lanes');
INSERT INTO "camera_group" VALUES('fleet/terminals/oycewick/quay');
INSERT INTO "camera_group" VALUES('fleet/terminals/sandsay');
INSERT INTO "camera_group" VALUES('fleet/terminals/sandsay/hall');
INSERT INTO "camera_group" VALUES('fleet/terminals/sandsay/lanes');
INSERT INTO "camera_group" VALUES('fleet/terminals/sandsay/quay');
INSERT INTO "camera_group" VALUES('fleet/vessels');
INSERT INTO "camera_group" VALUES('fleet/vessels/corrie');
INSERT INTO "camera_group" VALUES('fleet/vessels/tystie');
INSERT INTO "camera_group" VALUES('fleet/yard');
CREATE TABLE content (hash TEXT PRIMARY KEY, body TEXT NOT NULL);
INSERT INTO "content" VALUES('dbd72945c6225fc98c9cf505ae5abefd','motion.sensitivity	item:medium
recording.after-event	item:8
recording.switched-on	flag:on
recording.week	week:daily motion
response.mail	item:off');
INSERT INTO "content" VALUES('ccfc7c68798724253b22c93df18c1215','motion.areas	mask:16x12:6f8=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:3
recording.after-event	item:10
recording.before-event	item:3
recording.frame-rate	item:25
recording.switched-on	flag:on
recording.week	week:daily continuous
recording.when-full	item:loop
response.sound	item:off');
INSERT INTO "content" VALUES('80c52845f33804166e21b65d7b9ed17f','motion.areas	zones:Picture:0,0 100,0 100,100 0,100
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:300
motion.sensitivity	item:8
motion.threshold	item:4
recording.after-event	item:10
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:25
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily continuous
response.mail	item:off
response.sound	item:off
response.still	flag:off');
INSERT INTO "content" VALUES('9507189c458cb202ecc6f6a07629004e','motion.analyse-pictures	item:All
motion.analyse-size	item:Quarter
motion.analyses-per-second	item:2
motion.areas	mask:32x24:of8=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:auto
motion.threshold	item:900
recording.after-event	item:10
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:25
recording.keep-at-least	item:7
recording.keep-at-most	item:30
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily continuous
recording.when-full	item:Overwrite
response.mail	item:off
response.program	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('d5dcc21566722bdd1b74ef84e4f52b91','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:50
motion.sensitivity-by-time	levels:
motion.threshold	item:20
recording.after-event	item:10
recording.before-event	item:5
recording.frame-rate	item:25
recording.keep-at-most	item:30
recording.special-days	days:
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily continuous
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('c0e0c578b2119270615b06cf267d16d6','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('445a46dc5e59cd3869b8a2aa9fa678f4','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('fb1f0c8a739e35594e153a1e29352cd5','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('71822860c431f916dbd71c5c7f87493a','motion.areas	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:300
motion.sensitivity	item:12 8
motion.threshold	item:1 3
recording.after-event	item:15
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:12
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion
response.mail	item:off
response.sound	item:off
response.still	flag:off');
INSERT INTO "content" VALUES('f421f0d43a680cfbc77245905df0330b','motion.areas	zones:Picture:0,0 100,0 100,100 0,100
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:300
motion.sensitivity	item:10
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:12
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion
response.mail	item:off
response.sound	item:off
response.still	flag:off');
INSERT INTO "content" VALUES('56980caaf7e2da789d3d890716911882','motion.areas	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.sensitivity	item:12 8
motion.threshold	item:1 3
recording.after-event	item:15
recording.frame-rate	item:12
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('3bccb1fe7f918daf53cb31bdd127997d','motion.sensitivity	item:10
motion.threshold	item:1
recording.after-event	item:15
recording.frame-rate	item:12
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('c1a898b38b44cfc7d1177faed51beb36','motion.areas	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.detection	flag:on
motion.sensitivity	item:12 8
motion.threshold	item:1 3
recording.after-event	item:15
recording.before-event	item:5
recording.frame-rate	item:12
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('df6b279ae4ad819ecf23a741fbb18d90','motion.detection	flag:on
motion.sensitivity	item:10
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:5
recording.frame-rate	item:12
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('e69a5467e42ef7bcf8de75a3a95bec35','motion.analyse-pictures	item:All
motion.analyse-size	item:Quarter
motion.analyses-per-second	item:2
motion.areas	mask:32x24:s/8C4ADA8gA=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:auto
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.clip-every	item:off
recording.frame-rate	item:12
recording.keep-at-least	item:7
recording.keep-at-most	item:30
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.program	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('e58bc6e8c674b54db860672e9d54ea79','motion.analyse-pictures	item:All
motion.analyse-size	item:Quarter
motion.analyses-per-second	item:2
motion.areas	mask:32x24:s/8C4ADA8gA=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:76
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.clip-every	item:off
recording.frame-rate	item:12
recording.keep-at-least	item:7
recording.keep-at-most	item:30
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.program	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('5520b01095184e2150be0ed71cedf1e6','motion.areas	mask:32x24:s/8C4ADA8gA=
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('a181d402b431daf5a134d33e5337eacd','motion.areas	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:76
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('4fa65312fa2b3b93c62c31b676d5ac8b','motion.areas	mask:16x12:6f8=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:3
recording.after-event	item:30
recording.before-event	item:3
recording.frame-rate	item:8
recording.switched-on	flag:on
recording.week	week:daily motion
recording.when-full	item:loop
response.sound	item:off');
INSERT INTO "content" VALUES('cdab1bd0f73360297e780d780c35f6e2','motion.areas	mask:16x12:6f8=
motion.detection	flag:off
motion.log	flag:on
motion.sensitivity	item:3
recording.after-event	item:30
recording.before-event	item:3
recording.frame-rate	item:8
recording.switched-on	flag:on
recording.week	week:daily alarm
recording.when-full	item:loop
response.sound	item:off');
INSERT INTO "content" VALUES('13d2fbdb6b04ca43f61e77b00c365b4f','recording.after-event	item:30
recording.frame-rate	item:8
recording.week	week:daily motion');
INSERT INTO "content" VALUES('ce235d4cef290aa8e286838d3b67e7f2','motion.detection	flag:off
recording.after-event	item:30
recording.frame-rate	item:8
recording.week	week:daily alarm');
INSERT INTO "content" VALUES('c13cb7864bf264c5f60cface40c4252f','motion.areas	mask:16x12:6f8=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:4
recording.after-event	item:30
recording.before-event	item:6
recording.frame-rate	item:12
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion
recording.when-full	item:loop
response.sound	item:off');
INSERT INTO "content" VALUES('58158901e9c185131f93d10cf5b5ec96','motion.sensitivity	item:4
recording.after-event	item:30
recording.before-event	item:6
recording.frame-rate	item:12
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('74487c921ca8dea87ce54cb5018e0d75','motion.detection	flag:on
motion.sensitivity	item:3
recording.after-event	item:30
recording.before-event	item:3
recording.frame-rate	item:8
recording.switched-on	flag:on
recording.week	week:daily motion');
INSERT INTO "content" VALUES('cc38dfe513587e8b978419c7a057030b','motion.detection	flag:off
motion.sensitivity	item:3
recording.after-event	item:30
recording.before-event	item:3
recording.frame-rate	item:8
recording.switched-on	flag:on
recording.week	week:daily alarm');
INSERT INTO "content" VALUES('d616880dc4448b71082ac1884004c2dd','motion.areas	mask:32x24:s/8C4ADA8gA=
motion.detection	flag:on
motion.sensitivity	item:auto
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('62003ada01d12c85680b708bc1cf7fde','motion.areas	mask:32x24:s/8C4ADA8gA=
motion.detection	flag:on
motion.sensitivity	item:76
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('bfca91c8b636a2808ddd77a73bac290e','motion.detection	flag:on
motion.sensitivity	item:4
recording.after-event	item:30
recording.before-event	item:6
recording.frame-rate	item:12
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "content" VALUES('2d4ffd40a15542ef60c1f7995554c04f','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:55
motion.sensitivity-by-time	levels:
motion.threshold	item:8
recording.after-event	item:20
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('261a3b8b69f20cc020efbaeda8a519d5','motion.sensitivity	item:55
motion.threshold	item:8
recording.after-event	item:20
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily motion');
INSERT INTO "content" VALUES('e8393b36a12a6c42d8387d67b5229929','motion.detection	flag:on
motion.sensitivity	item:55
motion.threshold	item:8
recording.after-event	item:20
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:daily motion');
INSERT INTO "content" VALUES('958a5f19597055c2ba543615e2a97aa9','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion|2027-06-19^2027-06-19^daily continuous
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('9a36c701c2dcade38f5bba52a82480b9','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('730f540cb75d8e72a6037fe2b8feae2e','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-06:00 motion; sat,sun 06:00-07:00 continuous; sat,sun 07:00-22:00 motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('72bb6a0cfbc27dbdb8c6525b5fc258e1','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion|2027-06-19^2027-06-19^daily continuous
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "content" VALUES('e43571ac91e1840e7b203201d95e7161','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "content" VALUES('ec3cf4656bb64ad3684b7be2f8503b8f','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-06:00 motion; sat,sun 06:00-07:00 continuous; sat,sun 07:00-22:00 motion');
INSERT INTO "content" VALUES('0eae17e44a20627f60f739d4f16dfc66','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion|2027-06-19^2027-06-19^daily continuous
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "content" VALUES('3d9fd1308b9f9d729029943506ee0597','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "content" VALUES('cc8d11a4a228d4630b2b76eea4d43a0a','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-06:00 motion; sat,sun 06:00-07:00 continuous; sat,sun 07:00-22:00 motion');
INSERT INTO "content" VALUES('1979dcf0fe57242278fb38289cac6577','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('4b2e58c7b37d36a6b51cafbff92c01bd','motion.areas	mask:22x18:BoP//gf//D/g/wDg+AA=
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('42c977177a20135d8e52651bba858579','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:40
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('28cb089483214f024c2b9cb9733bdf5b','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('5b205e220c7760fc72c5db1f54076b47','motion.areas	mask:22x18:BoP//gf//D/g/wDg+AA=
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('6911645adbcdbb88658d37aa0c57499a','motion.areas	mask:22x18:2f8A4PgA
motion.sensitivity	item:40
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('0b3cce225f9659831c47a7fee9ad7403','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('ccb521067edd951ac992b5814e8c8f59','motion.areas	mask:22x18:BoP//gf//D/g/wDg+AA=
motion.detection	flag:on
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('5c94bf022b2701f6d333cd80acba6117','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.sensitivity	item:40
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "content" VALUES('5ef0f0f9b0c22d211a7dead71182c832','motion.areas	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:300
motion.sensitivity	item:12 8
motion.threshold	item:1 3
recording.after-event	item:15
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:12
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily continuous
response.mail	item:off
response.sound	item:off
response.still	flag:off');
INSERT INTO "content" VALUES('3a96faf610eaa418b7a03387dd646355','motion.areas	zones:Picture:0,0 100,0 100,100 0,100
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:300
motion.sensitivity	item:10
motion.threshold	item:1
recording.after-event	item:15
recording.before-event	item:5
recording.clip-every	item:off
recording.frame-rate	item:12
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily continuous
response.mail	item:off
response.sound	item:off
response.still	flag:off');
INSERT INTO "content" VALUES('4794795d4bdc25908d98718981280f42','motion.analyse-pictures	item:All
motion.analyse-size	item:Quarter
motion.analyses-per-second	item:2
motion.areas	mask:32x24:s/8C4ADA8gA=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:200
motion.threshold	item:637
recording.after-event	item:15
recording.before-event	item:6
recording.clip-every	item:off
recording.frame-rate	item:12
recording.keep-at-least	item:7
recording.keep-at-most	item:30
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.program	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('bdd832c2a0690d95a3f7d2ebc93ccc55','motion.areas	mask:16x12:6f8=
motion.detection	flag:on
motion.log	flag:on
motion.sensitivity	item:1
recording.after-event	item:30
recording.before-event	item:6
recording.frame-rate	item:12
recording.switched-on	flag:on
recording.week	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion
recording.when-full	item:loop
response.sound	item:off');
INSERT INTO "content" VALUES('6773544f287ec63c1d2783e9700c323e','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:off
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('19bdc3b0375b6f52270fcdf112194037','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:55
motion.sensitivity-by-time	levels:
motion.threshold	item:8
recording.after-event	item:20
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:off
recording.week	week:daily motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('a2eeccb7118858a42d41f5a6a95e8052','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-04:00 continuous; mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; mon-fri 22:00-04:00 continuous; sat 04:00-22:00 motion; sat 22:00-24:00 continuous; sun none
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('ccdc5159fae47575f4b9580e91a38548','motion.areas	mask:22x18:2f8A4PgA
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:2
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('2fcb71ae9dc0b44e2eb811fafa56a3c8','motion.areas	mask:22x18:AoP//v8AIXwAAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH/2AA==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:70
motion.sensitivity-by-time	levels:daily 21:00-05:30 55
motion.threshold	item:2
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('2f4bf20561b78cfc2149a129d47fe0ef','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:55
motion.sensitivity-by-time	levels:
motion.threshold	item:8
recording.after-event	item:15
recording.before-event	item:6
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('e0b4a379af1bef6fb30d958b647208bf','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:100
motion.sensitivity-by-time	levels:
motion.threshold	item:1
recording.after-event	item:20
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily motion
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('7f5939cafa77e9730ca326fe11afb0fe','motion.detection	flag:on
recording.before-event	item:5
recording.keep-at-most	item:30
recording.switched-on	flag:on');
INSERT INTO "content" VALUES('033c21b8fd718c5a8580d1ae6ed669f4','motion.detection	flag:on
recording.switched-on	flag:on');
INSERT INTO "content" VALUES('71a76912f67afa99fe4a4c4bcc715de5','motion.detection	flag:on
motion.sensitivity	item:auto
recording.before-event	item:5
recording.keep-at-most	item:30
recording.switched-on	flag:on');
INSERT INTO "content" VALUES('6c08005be981df81b7e2e004278871f6','motion.sensitivity	item:medium
recording.switched-on	flag:on
recording.week	week:daily motion');
INSERT INTO "content" VALUES('2a3cf2ef4eee50738e5d06ecb015dab4','motion.areas	mask:22x18:0P8A8A==
motion.detection	flag:on
motion.log	flag:on
motion.off-delay	item:2000
motion.on-delay	item:500
motion.sensitivity	item:60
motion.sensitivity-by-time	levels:
motion.threshold	item:4
recording.after-event	item:15
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.store	item:Disk1
recording.stream	item:Main
recording.switched-on	flag:on
recording.week	week:daily none
recording.when-full	item:Overwrite
response.mail	item:off
response.sound	item:off
response.still	flag:off
response.upload	item:off');
INSERT INTO "content" VALUES('523ebcf85486e133fe89010f9720c89b','motion.detection	flag:on
motion.sensitivity	item:60
motion.threshold	item:4
recording.after-event	item:15
recording.before-event	item:5
recording.frame-rate	item:12
recording.keep-at-most	item:30
recording.special-days	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.switched-on	flag:on
recording.week	week:daily none');
CREATE TABLE family (name TEXT PRIMARY KEY, text TEXT NOT NULL, author TEXT NOT NULL, at TEXT NOT NULL);
CREATE TABLE finding (
  id INTEGER PRIMARY KEY, recorder TEXT NOT NULL REFERENCES recorder(name) ON DELETE CASCADE,
  camera INTEGER REFERENCES camera(id) ON DELETE CASCADE, key TEXT NOT NULL, cause TEXT NOT NULL,
  direction TEXT NOT NULL, loss INTEGER NOT NULL, waste INTEGER NOT NULL, unit TEXT NOT NULL,
  minutes_without_recording INTEGER NOT NULL, severity TEXT NOT NULL, sentence TEXT NOT NULL,
  desired TEXT, observed TEXT, first_seen TEXT NOT NULL, last_seen TEXT NOT NULL, audit INTEGER NOT NULL REFERENCES work(id),
  ended_at TEXT, ended_by TEXT, returns INTEGER REFERENCES finding(id));
INSERT INTO "finding" VALUES(1,'brannick-2',NULL,'reading','not read','NONE',0,0,'',0,'MEDIUM','The recorder could not be read: 127.0.0.1:7481 cannot be reached: The target server failed to respond.',NULL,NULL,'2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(2,'corrie-1',NULL,'clock','clock','NONE',0,0,'',0,'MEDIUM','The clock is 37 min 01 s slow, so every schedule of this recorder runs at the wrong time.',NULL,'37 min 01 s slow','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(3,'sandsay-2',NULL,'zone','wrong zone','NONE',0,0,'',0,'MEDIUM','The recorder goes by UTC0, which is not Atlantic/Faroe: from 2027-03-28T02:00 every schedule runs at another hour than the policy means.','Atlantic/Faroe','UTC0','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(4,'brannick-1',88,'motion.detection','changed at the recorder','LOSS',8880,0,'minutes a week',8880,'HIGH','Detection is off and ought to be on, 148 h a week without recording; changed at the recorder.','on','off','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(5,'brannick-1',92,'recording.switched-on','changed at the recorder','LOSS',10080,0,'minutes a week',10080,'HIGH','Switched on is off and ought to be on, 168 h a week without recording; changed at the recorder.','on','off','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(6,'haldr-1',70,'motion.sensitivity','changed at the recorder','LOSS',30,0,'steps',0,'MEDIUM','Sensitivity is 30 steps less sensitive than asked (40, ought to be 70); changed at the recorder.','70','40','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:00.692589403Z','given out again',NULL);
INSERT INTO "finding" VALUES(7,'haldr-1',71,'blocked recording.keep-at-most','blocked','NONE',0,0,'',0,'LOW','What the override at haldr-1/03 says of recording.keep-at-most has no effect: the template house (revision 1) at fleet fixes it.',NULL,NULL,'2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(8,'haldr-1',72,'motion.sensitivity','changed at the recorder','LOSS',68,0,'steps',0,'MEDIUM','Sensitivity is 68 steps less sensitive than asked (2, ought to be 70); changed at the recorder.','70','2','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:00.693759509Z','given out again',NULL);
INSERT INTO "finding" VALUES(9,'haldr-1',73,'motion.areas','changed at the recorder','LOSS',201,0,'cells',0,'HIGH','Areas miss 201 cells that ought to be watched; changed at the recorder.','308 of 396 cells (22x18)','107 of 396 cells (22x18)','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:00.694558169Z','given out again',NULL);
INSERT INTO "finding" VALUES(10,'haldr-1',74,'motion.areas','changed at the recorder','WASTE',0,73,'cells',0,'LOW','Areas cover 73 cells too many; changed at the recorder.','323 of 396 cells (22x18)','396 of 396 cells (22x18)','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.743972979Z','given out again',NULL);
INSERT INTO "finding" VALUES(11,'haldr-1',74,'motion.sensitivity','changed at the recorder','LOSS',15,0,'steps',0,'MEDIUM','Sensitivity is 15 steps less sensitive than asked (55, ought to be 70); changed at the recorder.','70','55','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.743972979Z','given out again',NULL);
INSERT INTO "finding" VALUES(12,'haldr-1',74,'motion.sensitivity-by-time','changed at the recorder','WASTE',0,3570,'minutes a week',0,'LOW','Sensitivity by time is off and ought to be daily 21:00-05:30 55; it differs for 59 h 30 min a week; changed at the recorder.','daily 21:00-05:30 55','off','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.743972979Z','given out again',NULL);
INSERT INTO "finding" VALUES(13,'haldr-1',74,'motion.threshold','changed at the recorder','LOSS',6,0,'cells',0,'MEDIUM','Threshold reacts 6 cells later than asked (8, ought to be 2); changed at the recorder.','2','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.743972979Z','given out again',NULL);
INSERT INTO "finding" VALUES(14,'haldr-1',77,'motion.sensitivity','changed at the recorder','WASTE',0,45,'steps',0,'LOW','Sensitivity is 45 steps more sensitive than asked (100, ought to be 55); changed at the recorder.','55','100','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.745030378Z','given out again',NULL);
INSERT INTO "finding" VALUES(15,'haldr-1',77,'motion.threshold','changed at the recorder','WASTE',0,7,'cells',0,'LOW','Threshold reacts 7 cells sooner than asked (1, ought to be 8); changed at the recorder.','8','1','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.745030378Z','given out again',NULL);
INSERT INTO "finding" VALUES(16,'haldr-1',83,'motion.sensitivity','never tuned','LOSS',10,0,'steps',0,'MEDIUM','Sensitivity is 10 steps less sensitive than asked (50, ought to be 60); never tuned.','60','50','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(17,'haldr-1',83,'motion.threshold','never tuned','LOSS',16,0,'cells',0,'MEDIUM','Threshold reacts 16 cells later than asked (20, ought to be 4); never tuned.','4','20','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(18,'haldr-1',83,'recording.after-event','never tuned','LOSS',5,0,'s',0,'MEDIUM','After event is 5 s shorter than asked (10, ought to be 15); never tuned.','15','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(19,'haldr-1',83,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(20,'haldr-1',83,'recording.special-days','never tuned','BOTH',1,1,'calendars',0,'MEDIUM','Special days lack public-holidays; never tuned.','public-holidays (2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly): daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion','none','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(21,'haldr-1',83,'recording.week','never tuned','WASTE',0,10080,'minutes a week',0,'LOW','Week records more than asked for 168 h a week; never tuned.','daily none','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.746299884Z','given out again',NULL);
INSERT INTO "finding" VALUES(22,'haldr-1',84,'motion.sensitivity','never tuned','LOSS',10,0,'steps',0,'MEDIUM','Sensitivity is 10 steps less sensitive than asked (50, ought to be 60); never tuned.','60','50','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(23,'haldr-1',84,'motion.threshold','never tuned','LOSS',16,0,'cells',0,'MEDIUM','Threshold reacts 16 cells later than asked (20, ought to be 4); never tuned.','4','20','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(24,'haldr-1',84,'recording.after-event','never tuned','LOSS',5,0,'s',0,'MEDIUM','After event is 5 s shorter than asked (10, ought to be 15); never tuned.','15','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(25,'haldr-1',84,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(26,'haldr-1',84,'recording.special-days','never tuned','BOTH',1,1,'calendars',0,'MEDIUM','Special days lack public-holidays; never tuned.','public-holidays (2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly): daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion','none','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(27,'haldr-1',84,'recording.week','never tuned','WASTE',0,10080,'minutes a week',0,'LOW','Week records more than asked for 168 h a week; never tuned.','daily none','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:03:43.133413455Z',3,'2026-11-25T22:09:01.749436133Z','given out again',NULL);
INSERT INTO "finding" VALUES(28,'haldr-2',41,'motion.sensitivity','changed at the recorder','LOSS',3,0,'steps',0,'MEDIUM','Sensitivity is 3 steps less sensitive than asked (1, ought to be 4); changed at the recorder.','4','1','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(29,'oycewick-1',59,'recording.week','changed at the recorder','LOSS',1440,0,'minutes a week',1440,'HIGH','Week records nothing for 24 h a week in which it ought to; changed at the recorder.','mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','mon 00:00-04:00 continuous; mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; mon-fri 22:00-04:00 continuous; sat 04:00-22:00 motion; sat 22:00-24:00 continuous; sun none','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(30,'oycewick-1',68,'motion.sensitivity','never tuned','LOSS',10,0,'steps',0,'MEDIUM','Sensitivity is 10 steps less sensitive than asked (50, ought to be 60); never tuned.','60','50','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(31,'oycewick-1',68,'motion.threshold','never tuned','LOSS',16,0,'cells',0,'MEDIUM','Threshold reacts 16 cells later than asked (20, ought to be 4); never tuned.','4','20','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(32,'oycewick-1',68,'recording.after-event','never tuned','LOSS',5,0,'s',0,'MEDIUM','After event is 5 s shorter than asked (10, ought to be 15); never tuned.','15','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(33,'oycewick-1',68,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(34,'oycewick-1',68,'recording.special-days','never tuned','BOTH',1,1,'calendars',0,'MEDIUM','Special days lack public-holidays; never tuned.','public-holidays (2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly): daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion','none','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(35,'oycewick-1',68,'recording.week','never tuned','WASTE',0,10080,'minutes a week',0,'LOW','Week records more than asked for 168 h a week; never tuned.','daily none','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(36,'oycewick-2',19,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(37,'oycewick-2',20,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(38,'oycewick-2',21,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(39,'oycewick-2',22,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(40,'oycewick-2',23,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(41,'oycewick-2',24,'recording.week','changed at the recorder','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; changed at the recorder.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(42,'sandsay-1',49,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(43,'sandsay-1',49,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(44,'sandsay-1',49,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(45,'sandsay-1',49,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(46,'sandsay-1',49,'recording.week','never tuned','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; never tuned.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(47,'sandsay-1',50,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(48,'sandsay-1',50,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(49,'sandsay-1',50,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(50,'sandsay-1',50,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(51,'sandsay-1',50,'recording.week','never tuned','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; never tuned.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(52,'sandsay-1',51,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(53,'sandsay-1',51,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(54,'sandsay-1',51,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(55,'sandsay-1',51,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(56,'sandsay-1',51,'recording.week','never tuned','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; never tuned.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(57,'sandsay-1',52,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(58,'sandsay-1',52,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(59,'sandsay-1',52,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(60,'sandsay-1',52,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(61,'sandsay-1',52,'recording.week','never tuned','WASTE',0,9480,'minutes a week',0,'LOW','Week records more than asked for 158 h a week; never tuned.','mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(62,'sandsay-1',53,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(63,'sandsay-1',53,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(64,'sandsay-1',53,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(65,'sandsay-1',53,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(66,'sandsay-1',53,'recording.week','never tuned','WASTE',0,7560,'minutes a week',0,'LOW','Week records more than asked for 126 h a week; never tuned.','daily 04:00-22:00 motion; daily 22:00-04:00 continuous','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(67,'sandsay-1',54,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(68,'sandsay-1',54,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(69,'sandsay-1',54,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(70,'sandsay-1',54,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(71,'sandsay-1',54,'recording.week','never tuned','WASTE',0,7560,'minutes a week',0,'LOW','Week records more than asked for 126 h a week; never tuned.','daily 04:00-22:00 motion; daily 22:00-04:00 continuous','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(72,'sandsay-1',55,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(73,'sandsay-1',55,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(74,'sandsay-1',55,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(75,'sandsay-1',55,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(76,'sandsay-1',55,'recording.week','never tuned','WASTE',0,7560,'minutes a week',0,'LOW','Week records more than asked for 126 h a week; never tuned.','daily 04:00-22:00 motion; daily 22:00-04:00 continuous','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(77,'sandsay-1',56,'motion.sensitivity','never tuned','LOSS',1,0,'steps',0,'MEDIUM','Sensitivity is 1 step less sensitive than asked (3, ought to be 4); never tuned.','4','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(78,'sandsay-1',56,'recording.after-event','never tuned','LOSS',20,0,'s',0,'MEDIUM','After event is 20 s shorter than asked (10, ought to be 30); never tuned.','30','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(79,'sandsay-1',56,'recording.before-event','never tuned','LOSS',3,0,'s',0,'MEDIUM','Before event is 3 s shorter than asked (3, ought to be 6); never tuned.','6','3','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(80,'sandsay-1',56,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(81,'sandsay-1',56,'recording.week','never tuned','WASTE',0,7560,'minutes a week',0,'LOW','Week records more than asked for 126 h a week; never tuned.','daily 04:00-22:00 motion; daily 22:00-04:00 continuous','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(82,'sandsay-2',34,'motion.analyses-per-second','did not take','LOSS',3,0,'/s',0,'MEDIUM','Analyses a second is 3 /s lower than asked (2, ought to be 5); did not take.','5','2','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(83,'sandsay-2',35,'motion.sensitivity','changed at the recorder','LOSS',124,0,'steps',0,'MEDIUM','Sensitivity is 124 steps less sensitive than asked (200, ought to be 76); changed at the recorder.','76','200','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(84,'sandsay-2',40,'motion.threshold','never tuned','WASTE',0,396,'pixels',0,'LOW','Threshold reacts 396 pixels sooner than asked (900, ought to be 1296); never tuned.','1296','900','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(85,'sandsay-2',40,'recording.after-event','never tuned','LOSS',5,0,'s',0,'MEDIUM','After event is 5 s shorter than asked (10, ought to be 15); never tuned.','15','10','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(86,'sandsay-2',40,'recording.frame-rate','never tuned','WASTE',0,13,'fps',0,'LOW','Frame rate is 13 fps higher than asked (25, ought to be 12); never tuned.','12','25','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(87,'sandsay-2',40,'recording.week','never tuned','WASTE',0,10080,'minutes a week',0,'LOW','Week records more than asked for 168 h a week; never tuned.','daily none','daily continuous','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(88,'tystie-1',7,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(89,'tystie-1',8,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(90,'tystie-1',9,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(91,'tystie-1',10,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(92,'tystie-1',11,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(93,'tystie-1',12,'recording.after-event','never tuned','LOSS',7,0,'s',0,'MEDIUM','After event is 7 s shorter than asked (8, ought to be 15); never tuned.','15','8','2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
INSERT INTO "finding" VALUES(94,'brannick-1',96,'expired motion.threshold','expired','NONE',0,0,'',0,'LOW','The override of motion.threshold ended on 2026-09-30 and no longer counts (it was for: the freight gate''s own lamp swings).',NULL,NULL,'2026-11-25T22:03:43.133413455Z','2026-11-25T22:09:10.284516955Z',5,NULL,NULL,NULL);
CREATE TABLE "flyway_schema_history" (
    "installed_rank" INT NOT NULL PRIMARY KEY,
    "version" VARCHAR(50),
    "description" VARCHAR(200) NOT NULL,
    "type" VARCHAR(20) NOT NULL,
    "script" VARCHAR(1000) NOT NULL,
    "checksum" INT,
    "installed_by" VARCHAR(100) NOT NULL,
    "installed_on" TEXT NOT NULL DEFAULT (strftime('%Y-%m-%d %H:%M:%f','now')),
    "execution_time" INT NOT NULL,
    "success" BOOLEAN NOT NULL
);
INSERT INTO "flyway_schema_history" VALUES(1,'1','first','SQL','V1__first.sql',-1613139989,'','2026-11-25 22:03:23.086',3,1);
INSERT INTO "flyway_schema_history" VALUES(2,'2','calendars families sheets','SQL','V2__calendars_families_sheets.sql',1084268878,'','2026-11-25 22:03:23.092',1,1);
INSERT INTO "flyway_schema_history" VALUES(3,'3','journal by subject','SQL','V3__journal_by_subject.sql',1730351810,'','2026-11-25 22:03:23.095',0,1);
CREATE TABLE journal (
  id INTEGER PRIMARY KEY, at TEXT NOT NULL, who TEXT NOT NULL, act TEXT NOT NULL, subject TEXT NOT NULL,
  detail TEXT NOT NULL);
INSERT INTO "journal" VALUES(1,'2026-11-25T22:03:23.309604249Z','choir','added a person','admin','administrator');
INSERT INTO "journal" VALUES(2,'2026-11-25T22:03:25.181728861Z','admin','made a token','the demo','');
INSERT INTO "journal" VALUES(3,'2026-11-25T22:03:25.694480059Z','admin','added a recorder','haldr-1','http://127.0.0.1:7481/haldr-1/device_service');
INSERT INTO "journal" VALUES(4,'2026-11-25T22:03:25.760511943Z','admin','added a recorder','haldr-2','http://127.0.0.1:7481/haldr-2/device_service');
INSERT INTO "journal" VALUES(5,'2026-11-25T22:03:25.788389158Z','admin','added a recorder','oycewick-1','http://127.0.0.1:7481/oycewick-1/device_service');
INSERT INTO "journal" VALUES(6,'2026-11-25T22:03:25.818577167Z','admin','added a recorder','oycewick-2','http://127.0.0.1:7481/oycewick-2/device_service');
INSERT INTO "journal" VALUES(7,'2026-11-25T22:03:25.858882241Z','admin','added a recorder','brannick-1','http://127.0.0.1:7481/brannick-1/device_service');
INSERT INTO "journal" VALUES(8,'2026-11-25T22:03:25.891634436Z','admin','added a recorder','brannick-2','http://127.0.0.1:7481/brannick-2/device_service');
INSERT INTO "journal" VALUES(9,'2026-11-25T22:03:25.920059698Z','admin','added a recorder','sandsay-1','http://127.0.0.1:7481/sandsay-1/device_service');
INSERT INTO "journal" VALUES(10,'2026-11-25T22:03:25.947196323Z','admin','added a recorder','sandsay-2','http://127.0.0.1:7481/sandsay-2/device_service');
INSERT INTO "journal" VALUES(11,'2026-11-25T22:03:25.991591398Z','admin','added a recorder','corrie-1','http://127.0.0.1:7481/corrie-1/device_service');
INSERT INTO "journal" VALUES(12,'2026-11-25T22:03:26.031988166Z','admin','added a recorder','tystie-1','http://127.0.0.1:7481/tystie-1/device_service');
INSERT INTO "journal" VALUES(13,'2026-11-25T22:03:26.091792588Z','admin','added a recorder','yard-1','on-site');
INSERT INTO "journal" VALUES(14,'2026-11-25T22:03:28.004216866Z','admin','added a group','fleet/spare','');
INSERT INTO "journal" VALUES(15,'2026-11-25T22:03:28.013481936Z','admin','added a group','fleet/terminals/brannick/hall','');
INSERT INTO "journal" VALUES(16,'2026-11-25T22:03:28.019723521Z','admin','added a group','fleet/terminals/brannick/lanes','');
INSERT INTO "journal" VALUES(17,'2026-11-25T22:03:28.028120831Z','admin','added a group','fleet/terminals/brannick/quay','');
INSERT INTO "journal" VALUES(18,'2026-11-25T22:03:28.037588332Z','admin','added a group','fleet/terminals/haldr/hall','');
INSERT INTO "journal" VALUES(19,'2026-11-25T22:03:28.048416392Z','admin','added a group','fleet/terminals/haldr/lanes','');
INSERT INTO "journal" VALUES(20,'2026-11-25T22:03:28.061853544Z','admin','added a group','fleet/terminals/haldr/quay','');
INSERT INTO "journal" VALUES(21,'2026-11-25T22:03:28.075316299Z','admin','added a group','fleet/terminals/oycewick/hall','');
INSERT INTO "journal" VALUES(22,'2026-11-25T22:03:28.087901423Z','admin','added a group','fleet/terminals/oycewick/lanes','');
INSERT INTO "journal" VALUES(23,'2026-11-25T22:03:28.099648173Z','admin','added a group','fleet/terminals/oycewick/quay','');
INSERT INTO "journal" VALUES(24,'2026-11-25T22:03:28.108205142Z','admin','added a group','fleet/terminals/sandsay/hall','');
INSERT INTO "journal" VALUES(25,'2026-11-25T22:03:28.120294233Z','admin','added a group','fleet/terminals/sandsay/lanes','');
INSERT INTO "journal" VALUES(26,'2026-11-25T22:03:28.134856372Z','admin','added a group','fleet/terminals/sandsay/quay','');
INSERT INTO "journal" VALUES(27,'2026-11-25T22:03:28.143429560Z','admin','added a group','fleet/vessels/corrie','');
INSERT INTO "journal" VALUES(28,'2026-11-25T22:03:28.153883850Z','admin','added a group','fleet/vessels/tystie','');
INSERT INTO "journal" VALUES(29,'2026-11-25T22:03:28.159894317Z','admin','added a group','fleet/yard','');
INSERT INTO "journal" VALUES(30,'2026-11-25T22:03:28.187679464Z','admin','placed a camera','haldr-1/01','fleet/terminals/haldr/quay far-view,outside');
INSERT INTO "journal" VALUES(31,'2026-11-25T22:03:28.204052826Z','admin','placed a camera','haldr-1/02','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(32,'2026-11-25T22:03:28.219373833Z','admin','placed a camera','haldr-1/03','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(33,'2026-11-25T22:03:28.233433193Z','admin','placed a camera','haldr-1/04','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(34,'2026-11-25T22:03:28.246438518Z','admin','placed a camera','haldr-1/05','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(35,'2026-11-25T22:03:28.256292899Z','admin','placed a camera','haldr-1/06','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(36,'2026-11-25T22:03:28.268158758Z','admin','placed a camera','haldr-1/07','fleet/terminals/haldr/quay far-view,outside');
INSERT INTO "journal" VALUES(37,'2026-11-25T22:03:28.278388604Z','admin','placed a camera','haldr-1/08','fleet/terminals/haldr/quay outside');
INSERT INTO "journal" VALUES(38,'2026-11-25T22:03:28.287773082Z','admin','placed a camera','haldr-1/09','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(39,'2026-11-25T22:03:28.298536580Z','admin','placed a camera','haldr-1/10','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(40,'2026-11-25T22:03:28.312342720Z','admin','placed a camera','haldr-1/11','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(41,'2026-11-25T22:03:28.339789940Z','admin','placed a camera','haldr-1/12','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(42,'2026-11-25T22:03:28.357889378Z','admin','placed a camera','haldr-1/13','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(43,'2026-11-25T22:03:28.374624044Z','admin','placed a camera','haldr-1/14','fleet/terminals/haldr/lanes night,outside');
INSERT INTO "journal" VALUES(44,'2026-11-25T22:03:28.402498376Z','admin','placed a camera','haldr-1/15','fleet/spare no-camera');
INSERT INTO "journal" VALUES(45,'2026-11-25T22:03:28.434469686Z','admin','placed a camera','haldr-1/16','fleet/spare no-camera');
INSERT INTO "journal" VALUES(46,'2026-11-25T22:03:28.463618706Z','admin','placed a camera','haldr-2/01','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(47,'2026-11-25T22:03:28.484646380Z','admin','placed a camera','haldr-2/02','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(48,'2026-11-25T22:03:28.531267698Z','admin','placed a camera','haldr-2/03','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(49,'2026-11-25T22:03:28.556072697Z','admin','placed a camera','haldr-2/04','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(50,'2026-11-25T22:03:28.576586028Z','admin','placed a camera','haldr-2/05','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(51,'2026-11-25T22:03:28.598174827Z','admin','placed a camera','haldr-2/06','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(52,'2026-11-25T22:03:28.612415723Z','admin','placed a camera','haldr-2/07','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(53,'2026-11-25T22:03:28.621996680Z','admin','placed a camera','haldr-2/08','fleet/terminals/haldr/hall inside');
INSERT INTO "journal" VALUES(54,'2026-11-25T22:03:28.630847042Z','admin','placed a camera','oycewick-1/01','fleet/terminals/oycewick/quay far-view,outside');
INSERT INTO "journal" VALUES(55,'2026-11-25T22:03:28.640106005Z','admin','placed a camera','oycewick-1/02','fleet/terminals/oycewick/quay outside');
INSERT INTO "journal" VALUES(56,'2026-11-25T22:03:28.652597977Z','admin','placed a camera','oycewick-1/03','fleet/terminals/oycewick/quay outside');
INSERT INTO "journal" VALUES(57,'2026-11-25T22:03:28.668338500Z','admin','placed a camera','oycewick-1/04','fleet/terminals/oycewick/quay outside');
INSERT INTO "journal" VALUES(58,'2026-11-25T22:03:28.677774629Z','admin','placed a camera','oycewick-1/05','fleet/terminals/oycewick/quay outside');
INSERT INTO "journal" VALUES(59,'2026-11-25T22:03:28.685935432Z','admin','placed a camera','oycewick-1/06','fleet/terminals/oycewick/quay outside');
INSERT INTO "journal" VALUES(60,'2026-11-25T22:03:28.696822249Z','admin','placed a camera','oycewick-1/07','fleet/terminals/oycewick/lanes night,outside');
INSERT INTO "journal" VALUES(61,'2026-11-25T22:03:28.715300009Z','admin','placed a camera','oycewick-1/08','fleet/terminals/oycewick/lanes night,outside');
INSERT INTO "journal" VALUES(62,'2026-11-25T22:03:28.727569932Z','admin','placed a camera','oycewick-1/09','fleet/terminals/oycewick/lanes night,outside');
INSERT INTO "journal" VALUES(63,'2026-11-25T22:03:28.744604661Z','admin','placed a camera','oycewick-1/10','fleet/terminals/oycewick/lanes night,outside');
INSERT INTO "journal" VALUES(64,'2026-11-25T22:03:28.767014177Z','admin','placed a camera','oycewick-1/11','fleet/terminals/oycewick/lanes night,outside');
INSERT INTO "journal" VALUES(65,'2026-11-25T22:03:28.774335046Z','admin','placed a camera','oycewick-1/12','fleet/spare no-camera');
INSERT INTO "journal" VALUES(66,'2026-11-25T22:03:28.786532995Z','admin','placed a camera','oycewick-2/01','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(67,'2026-11-25T22:03:28.797582716Z','admin','placed a camera','oycewick-2/02','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(68,'2026-11-25T22:03:28.816796880Z','admin','placed a camera','oycewick-2/03','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(69,'2026-11-25T22:03:28.835435606Z','admin','placed a camera','oycewick-2/04','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(70,'2026-11-25T22:03:28.859561922Z','admin','placed a camera','oycewick-2/05','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(71,'2026-11-25T22:03:28.886078712Z','admin','placed a camera','oycewick-2/06','fleet/terminals/oycewick/hall inside');
INSERT INTO "journal" VALUES(72,'2026-11-25T22:03:28.919779304Z','admin','placed a camera','brannick-1/01','fleet/terminals/brannick/quay far-view,outside');
INSERT INTO "journal" VALUES(73,'2026-11-25T22:03:28.935650332Z','admin','placed a camera','brannick-1/02','fleet/terminals/brannick/quay outside');
INSERT INTO "journal" VALUES(74,'2026-11-25T22:03:28.954277814Z','admin','placed a camera','brannick-1/03','fleet/terminals/brannick/quay outside');
INSERT INTO "journal" VALUES(75,'2026-11-25T22:03:28.984145854Z','admin','placed a camera','brannick-1/04','fleet/terminals/brannick/quay outside');
INSERT INTO "journal" VALUES(76,'2026-11-25T22:03:29.005878439Z','admin','placed a camera','brannick-1/05','fleet/terminals/brannick/quay outside');
INSERT INTO "journal" VALUES(77,'2026-11-25T22:03:29.029664212Z','admin','placed a camera','brannick-1/06','fleet/terminals/brannick/quay outside');
INSERT INTO "journal" VALUES(78,'2026-11-25T22:03:29.044021310Z','admin','placed a camera','brannick-1/07','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(79,'2026-11-25T22:03:29.075087904Z','admin','placed a camera','brannick-1/08','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(80,'2026-11-25T22:03:29.111095693Z','admin','placed a camera','brannick-1/09','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(81,'2026-11-25T22:03:29.135316906Z','admin','placed a camera','brannick-1/10','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(82,'2026-11-25T22:03:29.152284888Z','admin','placed a camera','brannick-1/11','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(83,'2026-11-25T22:03:29.168646696Z','admin','placed a camera','brannick-1/12','fleet/terminals/brannick/lanes night,outside');
INSERT INTO "journal" VALUES(84,'2026-11-25T22:03:29.200581817Z','admin','placed a camera','brannick-2/01','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(85,'2026-11-25T22:03:29.223242509Z','admin','placed a camera','brannick-2/02','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(86,'2026-11-25T22:03:29.298914158Z','admin','placed a camera','brannick-2/03','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(87,'2026-11-25T22:03:29.318660433Z','admin','placed a camera','brannick-2/04','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(88,'2026-11-25T22:03:29.347248243Z','admin','placed a camera','brannick-2/05','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(89,'2026-11-25T22:03:29.371608507Z','admin','placed a camera','brannick-2/06','fleet/terminals/brannick/hall inside');
INSERT INTO "journal" VALUES(90,'2026-11-25T22:03:29.411286389Z','admin','placed a camera','sandsay-1/01','fleet/terminals/sandsay/hall inside');
INSERT INTO "journal" VALUES(91,'2026-11-25T22:03:29.429680994Z','admin','placed a camera','sandsay-1/02','fleet/terminals/sandsay/hall inside');
INSERT INTO "journal" VALUES(92,'2026-11-25T22:03:29.443981254Z','admin','placed a camera','sandsay-1/03','fleet/terminals/sandsay/hall inside');
INSERT INTO "journal" VALUES(93,'2026-11-25T22:03:29.452649630Z','admin','placed a camera','sandsay-1/04','fleet/terminals/sandsay/hall inside');
INSERT INTO "journal" VALUES(94,'2026-11-25T22:03:29.463894956Z','admin','placed a camera','sandsay-1/05','fleet/terminals/sandsay/lanes night,outside');
INSERT INTO "journal" VALUES(95,'2026-11-25T22:03:29.474239899Z','admin','placed a camera','sandsay-1/06','fleet/terminals/sandsay/lanes night,outside');
INSERT INTO "journal" VALUES(96,'2026-11-25T22:03:29.483424908Z','admin','placed a camera','sandsay-1/07','fleet/terminals/sandsay/lanes night,outside');
INSERT INTO "journal" VALUES(97,'2026-11-25T22:03:29.493239031Z','admin','placed a camera','sandsay-1/08','fleet/terminals/sandsay/lanes night,outside');
INSERT INTO "journal" VALUES(98,'2026-11-25T22:03:29.518260133Z','admin','placed a camera','sandsay-2/01','fleet/terminals/sandsay/quay far-view,outside');
INSERT INTO "journal" VALUES(99,'2026-11-25T22:03:29.538293570Z','admin','placed a camera','sandsay-2/02','fleet/terminals/sandsay/quay outside');
INSERT INTO "journal" VALUES(100,'2026-11-25T22:03:29.555264962Z','admin','placed a camera','sandsay-2/03','fleet/terminals/sandsay/quay outside');
INSERT INTO "journal" VALUES(101,'2026-11-25T22:03:29.582414033Z','admin','placed a camera','sandsay-2/04','fleet/terminals/sandsay/quay outside');
INSERT INTO "journal" VALUES(102,'2026-11-25T22:03:29.612588207Z','admin','placed a camera','sandsay-2/05','fleet/terminals/sandsay/quay outside');
INSERT INTO "journal" VALUES(103,'2026-11-25T22:03:29.647999671Z','admin','placed a camera','sandsay-2/06','fleet/terminals/sandsay/quay outside');
INSERT INTO "journal" VALUES(104,'2026-11-25T22:03:29.681826244Z','admin','placed a camera','sandsay-2/07','fleet/terminals/sandsay/quay far-view,outside');
INSERT INTO "journal" VALUES(105,'2026-11-25T22:03:29.708370972Z','admin','placed a camera','sandsay-2/08','fleet/spare no-camera');
INSERT INTO "journal" VALUES(106,'2026-11-25T22:03:29.733948962Z','admin','placed a camera','corrie-1/01','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(107,'2026-11-25T22:03:29.755680862Z','admin','placed a camera','corrie-1/02','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(108,'2026-11-25T22:03:29.772607563Z','admin','placed a camera','corrie-1/03','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(109,'2026-11-25T22:03:29.789182955Z','admin','placed a camera','corrie-1/04','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(110,'2026-11-25T22:03:29.800273037Z','admin','placed a camera','corrie-1/05','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(111,'2026-11-25T22:03:29.811830411Z','admin','placed a camera','corrie-1/06','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(112,'2026-11-25T22:03:29.832078918Z','admin','placed a camera','corrie-1/07','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(113,'2026-11-25T22:03:29.856361206Z','admin','placed a camera','corrie-1/08','fleet/vessels/corrie on-board');
INSERT INTO "journal" VALUES(114,'2026-11-25T22:03:29.876125493Z','admin','placed a camera','tystie-1/01','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(115,'2026-11-25T22:03:29.899459975Z','admin','placed a camera','tystie-1/02','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(116,'2026-11-25T22:03:29.930529377Z','admin','placed a camera','tystie-1/03','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(117,'2026-11-25T22:03:29.951140269Z','admin','placed a camera','tystie-1/04','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(118,'2026-11-25T22:03:29.965028108Z','admin','placed a camera','tystie-1/05','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(119,'2026-11-25T22:03:29.989232596Z','admin','placed a camera','tystie-1/06','fleet/vessels/tystie on-board');
INSERT INTO "journal" VALUES(120,'2026-11-25T22:03:30.007515417Z','admin','placed a camera','yard-1/01','fleet/yard outside');
INSERT INTO "journal" VALUES(121,'2026-11-25T22:03:30.024501528Z','admin','placed a camera','yard-1/02','fleet/yard outside');
INSERT INTO "journal" VALUES(122,'2026-11-25T22:03:30.043247513Z','admin','placed a camera','yard-1/03','fleet/yard outside');
INSERT INTO "journal" VALUES(123,'2026-11-25T22:03:30.056641308Z','admin','placed a camera','yard-1/04','fleet/yard outside');
INSERT INTO "journal" VALUES(124,'2026-11-25T22:03:30.091372307Z','admin','placed a camera','yard-1/05','fleet/yard far-view,outside');
INSERT INTO "journal" VALUES(125,'2026-11-25T22:03:30.144664274Z','admin','placed a camera','yard-1/06','fleet/yard outside');
INSERT INTO "journal" VALUES(126,'2026-11-25T22:03:30.264481398Z','admin','wrote a calendar','public-holidays','2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly');
INSERT INTO "journal" VALUES(127,'2026-11-25T22:03:30.265421667Z','admin','wrote a calendar','winter-timetable','2026-11-01..2027-03-27');
INSERT INTO "journal" VALUES(128,'2026-11-25T22:03:30.289821749Z','admin','wrote a template','house','revision 1');
INSERT INTO "journal" VALUES(129,'2026-11-25T22:03:30.302498176Z','admin','wrote a template','quay-outside','revision 1');
INSERT INTO "journal" VALUES(130,'2026-11-25T22:03:30.306259560Z','admin','wrote a template','hall-inside','revision 1');
INSERT INTO "journal" VALUES(131,'2026-11-25T22:03:30.310447011Z','admin','wrote a template','lanes','revision 1');
INSERT INTO "journal" VALUES(132,'2026-11-25T22:03:30.311772333Z','admin','wrote a template','on-board','revision 1');
INSERT INTO "journal" VALUES(133,'2026-11-25T22:03:30.314489933Z','admin','wrote a template','night-lamps','revision 1');
INSERT INTO "journal" VALUES(134,'2026-11-25T22:03:30.316603198Z','admin','wrote a template','spare','revision 1');
INSERT INTO "journal" VALUES(135,'2026-11-25T22:03:30.318675933Z','admin','set the templates of','fleet','house');
INSERT INTO "journal" VALUES(136,'2026-11-25T22:03:30.319260115Z','admin','set the templates of','fleet/terminals/haldr/quay','quay-outside');
INSERT INTO "journal" VALUES(137,'2026-11-25T22:03:30.319493045Z','admin','set the templates of','fleet/terminals/oycewick/quay','quay-outside, night-lamps');
INSERT INTO "journal" VALUES(138,'2026-11-25T22:03:30.319671490Z','admin','set the templates of','fleet/terminals/brannick/quay','quay-outside');
INSERT INTO "journal" VALUES(139,'2026-11-25T22:03:30.319840358Z','admin','set the templates of','fleet/terminals/sandsay/quay','quay-outside');
INSERT INTO "journal" VALUES(140,'2026-11-25T22:03:30.320322829Z','admin','set the templates of','fleet/terminals/haldr/hall','hall-inside');
INSERT INTO "journal" VALUES(141,'2026-11-25T22:03:30.321008507Z','admin','set the templates of','fleet/terminals/oycewick/hall','hall-inside');
INSERT INTO "journal" VALUES(142,'2026-11-25T22:03:30.321291804Z','admin','set the templates of','fleet/terminals/brannick/hall','hall-inside');
INSERT INTO "journal" VALUES(143,'2026-11-25T22:03:30.321491453Z','admin','set the templates of','fleet/terminals/sandsay/hall','hall-inside');
INSERT INTO "journal" VALUES(144,'2026-11-25T22:03:30.321686259Z','admin','set the templates of','fleet/terminals/haldr/lanes','lanes');
INSERT INTO "journal" VALUES(145,'2026-11-25T22:03:30.321945888Z','admin','set the templates of','fleet/terminals/oycewick/lanes','lanes');
INSERT INTO "journal" VALUES(146,'2026-11-25T22:03:30.322172773Z','admin','set the templates of','fleet/terminals/brannick/lanes','lanes');
INSERT INTO "journal" VALUES(147,'2026-11-25T22:03:30.322435550Z','admin','set the templates of','fleet/terminals/sandsay/lanes','lanes, night-lamps');
INSERT INTO "journal" VALUES(148,'2026-11-25T22:03:30.322649748Z','admin','set the templates of','fleet/vessels','on-board');
INSERT INTO "journal" VALUES(149,'2026-11-25T22:03:30.322868804Z','admin','set the templates of','fleet/spare','spare');
INSERT INTO "journal" VALUES(150,'2026-11-25T22:03:30.328209229Z','admin','set','haldr-1/01','motion.threshold=0.25% because the pier head is 70 m away');
INSERT INTO "journal" VALUES(151,'2026-11-25T22:03:30.328726790Z','admin','set','haldr-1/07','motion.sensitivity=40 because spray on the dome in westerly gales');
INSERT INTO "journal" VALUES(152,'2026-11-25T22:03:30.329173298Z','admin','set','oycewick-1/05','recording.week=daily 06:00-07:00 continuous because the school boat lands at half past six');
INSERT INTO "journal" VALUES(153,'2026-11-25T22:03:30.329499241Z','admin','set','brannick-1/12','motion.threshold=4% because the freight gate''s own lamp swings');
INSERT INTO "journal" VALUES(154,'2026-11-25T22:03:30.329628015Z','admin','set','yard-1/05','motion.sensitivity=30 because grass in the wind all summer');
INSERT INTO "journal" VALUES(155,'2026-11-25T22:03:30.333127127Z','admin','set','oycewick-2/01','motion.areas=[{watch: desks, polygon: [[0.1, 0.3], [0.55, 0.3], [0.55, 0.95], [0.1, 0.95]], sensitivity: 60}, {watch: doors, rectangle: [[0.7, 0.2], [0.98, 0.8]], sensitivity: 40, threshold: 3%}] because the display between desks and doors flickers');
INSERT INTO "journal" VALUES(156,'2026-11-25T22:03:30.334841601Z','admin','set','haldr-1/05','motion.areas=[{ignore: pennants, rectangle: [[0.05, 0.02], [0.3, 0.14]]}] because the pennants at the gangway head');
INSERT INTO "journal" VALUES(157,'2026-11-25T22:03:30.335468097Z','admin','set','haldr-1/03','recording.keep-at-most=90d because the insurers asked for three months once');
INSERT INTO "journal" VALUES(158,'2026-11-25T22:03:30.335966949Z','admin','set','oycewick-1/01','recording.special-days={2027-06-19: daily continuous} because the regatta');
INSERT INTO "journal" VALUES(159,'2026-11-25T22:03:30.336472351Z','admin','set','sandsay-2/02','motion.analyses-per-second=5/s because cyclists come down the pier root');
INSERT INTO "journal" VALUES(160,'2026-11-25T22:03:30.336686502Z','admin','set','sandsay-2/01','motion.sensitivity=auto because the harbour lamp dazzles by night');
INSERT INTO "journal" VALUES(161,'2026-11-25T22:03:30.338723427Z','admin','set','corrie-1/05','motion.detection=off because steam; the engine room records on alarm only');
INSERT INTO "journal" VALUES(162,'2026-11-25T22:03:30.339040486Z','admin','set','corrie-1/05','recording.week=daily alarm because steam; the engine room records on alarm only');
INSERT INTO "journal" VALUES(163,'2026-11-25T22:03:30.919177544Z','admin','started a rollout','rollout 2','72 cameras');
INSERT INTO "journal" VALUES(164,'2026-11-25T22:08:59.959767798Z','admin','started a rollout','rollout 4','7 cameras');
CREATE TABLE observation (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, hash TEXT NOT NULL REFERENCES content(hash),
  read_at TEXT NOT NULL, since TEXT NOT NULL, by_hand TEXT);
INSERT INTO "observation" VALUES(7,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(8,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(9,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(10,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(11,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(12,'dbd72945c6225fc98c9cf505ae5abefd','2026-11-25T22:09:09.870238803Z','2026-11-25T22:03:27.413695724Z',NULL);
INSERT INTO "observation" VALUES(13,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(14,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(15,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(16,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(17,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(18,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:03:37.125148167Z','2026-11-25T22:03:37.125148167Z',NULL);
INSERT INTO "observation" VALUES(19,'5ef0f0f9b0c22d211a7dead71182c832','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(20,'3a96faf610eaa418b7a03387dd646355','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(21,'3a96faf610eaa418b7a03387dd646355','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(22,'3a96faf610eaa418b7a03387dd646355','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(23,'3a96faf610eaa418b7a03387dd646355','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(24,'3a96faf610eaa418b7a03387dd646355','2026-11-25T22:09:09.942486353Z','2026-11-25T22:03:42.382914429Z',NULL);
INSERT INTO "observation" VALUES(25,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(26,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(27,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(28,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(29,'cdab1bd0f73360297e780d780c35f6e2','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(30,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(31,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(32,'4fa65312fa2b3b93c62c31b676d5ac8b','2026-11-25T22:09:10.070095779Z','2026-11-25T22:03:37.067808129Z',NULL);
INSERT INTO "observation" VALUES(33,'e69a5467e42ef7bcf8de75a3a95bec35','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(34,'e58bc6e8c674b54db860672e9d54ea79','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(35,'4794795d4bdc25908d98718981280f42','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:42.719891712Z',NULL);
INSERT INTO "observation" VALUES(36,'e58bc6e8c674b54db860672e9d54ea79','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(37,'e58bc6e8c674b54db860672e9d54ea79','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(38,'e58bc6e8c674b54db860672e9d54ea79','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(39,'e58bc6e8c674b54db860672e9d54ea79','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:37.019369404Z',NULL);
INSERT INTO "observation" VALUES(40,'9507189c458cb202ecc6f6a07629004e','2026-11-25T22:09:10.008581098Z','2026-11-25T22:03:27.861068332Z',NULL);
INSERT INTO "observation" VALUES(41,'bdd832c2a0690d95a3f7d2ebc93ccc55','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:42.728771539Z',NULL);
INSERT INTO "observation" VALUES(42,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(43,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(44,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(45,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(46,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(47,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(48,'c13cb7864bf264c5f60cface40c4252f','2026-11-25T22:09:10.094851686Z','2026-11-25T22:03:37.852761939Z',NULL);
INSERT INTO "observation" VALUES(49,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(50,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(51,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(52,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(53,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(54,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(55,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(56,'ccfc7c68798724253b22c93df18c1215','2026-11-25T22:09:10.024787811Z','2026-11-25T22:03:27.894235116Z',NULL);
INSERT INTO "observation" VALUES(57,'958a5f19597055c2ba543615e2a97aa9','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(58,'9a36c701c2dcade38f5bba52a82480b9','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(59,'a2eeccb7118858a42d41f5a6a95e8052','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:42.833548093Z',NULL);
INSERT INTO "observation" VALUES(60,'9a36c701c2dcade38f5bba52a82480b9','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(61,'730f540cb75d8e72a6037fe2b8feae2e','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(62,'9a36c701c2dcade38f5bba52a82480b9','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(63,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(64,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(65,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(66,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(67,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:39.712758704Z',NULL);
INSERT INTO "observation" VALUES(68,'d5dcc21566722bdd1b74ef84e4f52b91','2026-11-25T22:09:10.156220684Z','2026-11-25T22:03:27.907141184Z',NULL);
INSERT INTO "observation" VALUES(69,'1979dcf0fe57242278fb38289cac6577','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(70,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:00.686009586Z',NULL);
INSERT INTO "observation" VALUES(71,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(72,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:00.686009586Z',NULL);
INSERT INTO "observation" VALUES(73,'4b2e58c7b37d36a6b51cafbff92c01bd','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:00.686009586Z',NULL);
INSERT INTO "observation" VALUES(74,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:01.737424336Z',NULL);
INSERT INTO "observation" VALUES(75,'42c977177a20135d8e52651bba858579','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(76,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(77,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:01.737424336Z',NULL);
INSERT INTO "observation" VALUES(78,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(79,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(80,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(81,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(82,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.198128349Z','2026-11-25T22:03:40.684752128Z',NULL);
INSERT INTO "observation" VALUES(83,'2a3cf2ef4eee50738e5d06ecb015dab4','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:01.737424336Z',NULL);
INSERT INTO "observation" VALUES(84,'2a3cf2ef4eee50738e5d06ecb015dab4','2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:01.737424336Z',NULL);
INSERT INTO "observation" VALUES(85,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:34.135454334Z',NULL);
INSERT INTO "observation" VALUES(86,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:34.135454334Z',NULL);
INSERT INTO "observation" VALUES(87,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:34.135454334Z',NULL);
INSERT INTO "observation" VALUES(88,'6773544f287ec63c1d2783e9700c323e','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:42.801990289Z',NULL);
INSERT INTO "observation" VALUES(89,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:34.135454334Z',NULL);
INSERT INTO "observation" VALUES(90,'c0e0c578b2119270615b06cf267d16d6','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
INSERT INTO "observation" VALUES(91,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
INSERT INTO "observation" VALUES(92,'19bdc3b0375b6f52270fcdf112194037','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:42.801990289Z',NULL);
INSERT INTO "observation" VALUES(93,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
INSERT INTO "observation" VALUES(94,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
INSERT INTO "observation" VALUES(95,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
INSERT INTO "observation" VALUES(96,'2d4ffd40a15542ef60c1f7995554c04f','2026-11-25T22:09:10.120380967Z','2026-11-25T22:03:38.005064472Z',NULL);
CREATE TABLE policy_override (
  id INTEGER PRIMARY KEY, node TEXT NOT NULL, key TEXT NOT NULL, value TEXT, fixed INTEGER NOT NULL,
  because TEXT NOT NULL, author TEXT NOT NULL, until TEXT, created_at TEXT NOT NULL);
INSERT INTO "policy_override" VALUES(1,'camera:haldr-1/01','motion.threshold','0.25%',0,'the pier head is 70 m away','admin',NULL,'2026-11-25T22:03:30.325945980Z');
INSERT INTO "policy_override" VALUES(2,'camera:haldr-1/07','motion.sensitivity','40',0,'spray on the dome in westerly gales','admin','2027-03-31','2026-11-25T22:03:30.328626873Z');
INSERT INTO "policy_override" VALUES(3,'camera:oycewick-1/05','recording.week','daily 06:00-07:00 continuous',0,'the school boat lands at half past six','admin',NULL,'2026-11-25T22:03:30.329089087Z');
INSERT INTO "policy_override" VALUES(4,'camera:brannick-1/12','motion.threshold','4%',0,'the freight gate''s own lamp swings','admin','2026-09-30','2026-11-25T22:03:30.329444201Z');
INSERT INTO "policy_override" VALUES(5,'camera:yard-1/05','motion.sensitivity','30',0,'grass in the wind all summer','admin',NULL,'2026-11-25T22:03:30.329571619Z');
INSERT INTO "policy_override" VALUES(6,'camera:oycewick-2/01','motion.areas','[{watch: desks, polygon: [[0.1, 0.3], [0.55, 0.3], [0.55, 0.95], [0.1, 0.95]], sensitivity: 60}, {watch: doors, rectangle: [[0.7, 0.2], [0.98, 0.8]], sensitivity: 40, threshold: 3%}]',0,'the display between desks and doors flickers','admin',NULL,'2026-11-25T22:03:30.333011748Z');
INSERT INTO "policy_override" VALUES(7,'camera:haldr-1/05','motion.areas','[{ignore: pennants, rectangle: [[0.05, 0.02], [0.3, 0.14]]}]',0,'the pennants at the gangway head','admin',NULL,'2026-11-25T22:03:30.334743936Z');
INSERT INTO "policy_override" VALUES(8,'camera:haldr-1/03','recording.keep-at-most','90d',0,'the insurers asked for three months once','admin',NULL,'2026-11-25T22:03:30.335386681Z');
INSERT INTO "policy_override" VALUES(9,'camera:oycewick-1/01','recording.special-days','{2027-06-19: daily continuous}',0,'the regatta','admin','2027-06-19','2026-11-25T22:03:30.335903063Z');
INSERT INTO "policy_override" VALUES(10,'camera:sandsay-2/02','motion.analyses-per-second','5/s',0,'cyclists come down the pier root','admin',NULL,'2026-11-25T22:03:30.336366174Z');
INSERT INTO "policy_override" VALUES(11,'camera:sandsay-2/01','motion.sensitivity','auto',0,'the harbour lamp dazzles by night','admin',NULL,'2026-11-25T22:03:30.336610080Z');
INSERT INTO "policy_override" VALUES(12,'camera:corrie-1/05','motion.detection','off',0,'steam; the engine room records on alarm only','admin',NULL,'2026-11-25T22:03:30.338611605Z');
INSERT INTO "policy_override" VALUES(13,'camera:corrie-1/05','recording.week','daily alarm',0,'steam; the engine room records on alarm only','admin',NULL,'2026-11-25T22:03:30.338966938Z');
CREATE TABLE preview (
  id INTEGER PRIMARY KEY, selection TEXT NOT NULL, who TEXT NOT NULL, created_at TEXT NOT NULL);
INSERT INTO "preview" VALUES(1,'not:recorder:sandsay-1 not:recorder:tystie-1 not:group:spare','admin','2026-11-25T22:03:30.826474838Z');
INSERT INTO "preview" VALUES(2,'recorder:haldr-1','admin','2026-11-25T22:08:59.560419561Z');
INSERT INTO "preview" VALUES(3,'recorder:haldr-1','admin','2026-11-25T22:08:59.915498212Z');
CREATE TABLE preview_step (
  preview INTEGER NOT NULL REFERENCES preview(id) ON DELETE CASCADE,
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, changes TEXT NOT NULL, PRIMARY KEY (preview, camera));
INSERT INTO "preview_step" VALUES(1,13,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,14,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,15,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,16,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,17,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,18,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,19,'motion.areas	zones:Picture:0,0 100,0 100,100 0,100	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.sensitivity	item:8	item:12 8
motion.threshold	item:4	item:1 3
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,20,'motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,21,'motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,22,'motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,23,'motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,24,'motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,25,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,26,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,27,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,28,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,29,'motion.detection	flag:on	flag:off
recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily alarm');
INSERT INTO "preview_step" VALUES(1,30,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,31,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,32,'recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,33,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,34,'motion.analyses-per-second	item:2	item:5
motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,35,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,36,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,37,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,38,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,39,'motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,41,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,42,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,43,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,44,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,45,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,46,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,47,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,48,'motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion');
INSERT INTO "preview_step" VALUES(1,57,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion|2027-06-19^2027-06-19^daily continuous
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,58,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,59,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,60,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,61,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-06:00 motion; sat,sun 06:00-07:00 continuous; sat,sun 07:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,62,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion');
INSERT INTO "preview_step" VALUES(1,63,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,64,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,65,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,66,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,67,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,69,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:1
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,70,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,71,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,72,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,73,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:BoP//gf//D/g/wDg+AA=
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,74,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,75,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:40
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,76,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,77,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,78,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,79,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,80,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,81,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,82,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,85,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,86,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,87,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,88,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,89,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,90,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion');
INSERT INTO "preview_step" VALUES(1,91,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,92,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,93,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,94,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,95,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(1,96,'motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion');
INSERT INTO "preview_step" VALUES(2,70,'motion.sensitivity	item:40	item:70');
INSERT INTO "preview_step" VALUES(2,72,'motion.sensitivity	item:2	item:70');
INSERT INTO "preview_step" VALUES(2,73,'motion.areas	mask:22x18:AoP//v8AIXwAAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH/2AA==	mask:22x18:BoP//gf//D/g/wDg+AA=');
INSERT INTO "preview_step" VALUES(2,74,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:55	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:8	item:2');
INSERT INTO "preview_step" VALUES(2,77,'motion.sensitivity	item:100	item:55
motion.threshold	item:1	item:8');
INSERT INTO "preview_step" VALUES(2,83,'motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none');
INSERT INTO "preview_step" VALUES(2,84,'motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none');
INSERT INTO "preview_step" VALUES(3,70,'motion.sensitivity	item:40	item:70');
INSERT INTO "preview_step" VALUES(3,72,'motion.sensitivity	item:2	item:70');
INSERT INTO "preview_step" VALUES(3,73,'motion.areas	mask:22x18:AoP//v8AIXwAAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH/2AA==	mask:22x18:BoP//gf//D/g/wDg+AA=');
INSERT INTO "preview_step" VALUES(3,74,'motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:55	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:8	item:2');
INSERT INTO "preview_step" VALUES(3,77,'motion.sensitivity	item:100	item:55
motion.threshold	item:1	item:8');
INSERT INTO "preview_step" VALUES(3,83,'motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none');
INSERT INTO "preview_step" VALUES(3,84,'motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none');
CREATE TABLE recorder (
  name TEXT PRIMARY KEY, family TEXT NOT NULL, address TEXT NOT NULL, username TEXT NOT NULL, secret BLOB NOT NULL,
  zone TEXT NOT NULL, manufacturer TEXT NOT NULL DEFAULT '', model TEXT NOT NULL DEFAULT '',
  firmware TEXT NOT NULL DEFAULT '', serial TEXT NOT NULL DEFAULT '', trouble TEXT NOT NULL DEFAULT '',
  clock_ahead_seconds INTEGER NOT NULL DEFAULT 0, read_at TEXT, tried_at TEXT, version INTEGER NOT NULL DEFAULT 1, posix_zone TEXT NOT NULL DEFAULT '');
INSERT INTO "recorder" VALUES('haldr-1','tern','http://127.0.0.1:7481/haldr-1/device_service','choir',X'CFAC5BF8F0F9A6D4C08C2AF56F6E8B8C6B6B859B0770424C51661BB68E59F1500628F3F0D3986209C4360B62B336','Atlantic/Faroe','Tern','TN-16','4.2.0','SN60325','',-1,'2026-11-25T22:09:10.198128349Z','2026-11-25T22:09:10.198128349Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('haldr-2','gannet','http://127.0.0.1:7481/haldr-2/device_service','choir',X'B8D0298DF3CF526A06FFCF4206CE5D1DB0681B4BB85B7C71CFB10D0252EEF41F9082C0C02B102CF04935800FAF9A','Atlantic/Faroe','Gannet','GD-8','4.2.0','SN60326','',-1,'2026-11-25T22:09:10.094851686Z','2026-11-25T22:09:10.094851686Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('oycewick-1','tern','http://127.0.0.1:7481/oycewick-1/device_service','choir',X'BFDB80A10036A02A64C538AEE5A0289416E93D008FF6AA5BB994EF37C3DA64E31C5730795EF858A3F0ECFD7DA983A5A1E5','Atlantic/Faroe','Tern','TN-16','4.2.0','SN94346','',-1,'2026-11-25T22:09:10.156220684Z','2026-11-25T22:09:10.156220684Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('oycewick-2','fulmar','http://127.0.0.1:7481/oycewick-2/device_service','choir',X'CD9A86AE065434B323CE7719EDB532826496659B96EFDE65D02FDA91411442634B619C9A0E951FE3A444AEA4BD195E9DAE','Atlantic/Faroe','Fulmar','FM-12','4.2.0','SN94347','',-1,'2026-11-25T22:09:09.942486353Z','2026-11-25T22:09:09.942486353Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('brannick-1','tern','http://127.0.0.1:7481/brannick-1/device_service','choir',X'E344FE9F8245DF95EA9DB5793E5CBA0EFFE9075A3F69D6F89EF47D5FDD3805090AF17961746154954ABFD51C8E2C154EDF','Atlantic/Faroe','Tern','TN-16','4.2.0','SN32068','',-1,'2026-11-25T22:09:10.120380967Z','2026-11-25T22:09:10.120380967Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('brannick-2','gannet','http://127.0.0.1:7481/brannick-2/device_service','choir',X'CEF9D9DC5D85A713D5B21C1E3BF6ED0E34BC87766B3BDCCDC71E046812301237D363FC44CC7B27E1EF314E01D20AF7EB9B','Atlantic/Faroe','Gannet','GD-8','4.2.0','SN32069','127.0.0.1:7481 cannot be reached: The target server failed to respond',-1,'2026-11-25T22:03:37.125148167Z','2026-11-25T22:09:09.777761194Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('sandsay-1','gannet','http://127.0.0.1:7481/sandsay-1/device_service','choir',X'48B052709137F605C4E04C4CB7E7B8A4A94061725BBBEA05434E92ED61A7632A90B34D28BFFE405A27FACCC01ECC6C48','Atlantic/Faroe','Gannet','GD-8','4.2.0','SN29483','',-1,'2026-11-25T22:09:10.024787811Z','2026-11-25T22:09:10.024787811Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('sandsay-2','petrel','http://127.0.0.1:7481/sandsay-2/device_service','choir',X'607671EA4118D78A1B176CCEE29CF461C585DDB3F696621CE5FB0ADADB1C728280A933724DC9F2766662C0C7E673E946','Atlantic/Faroe','Petrel','PX-32','4.2.0','SN29484','',-1,'2026-11-25T22:09:10.008581098Z','2026-11-25T22:09:10.008581098Z',1,'UTC0');
INSERT INTO "recorder" VALUES('corrie-1','gannet','http://127.0.0.1:7481/corrie-1/device_service','choir',X'8743A0B5181A15FA5744F9FE0E50D93EECC01140CA13EF60A54ED334431AFF7931B55BFE22FD5DA28E6AFA698FD2F3','Atlantic/Faroe','Gannet','GD-8','4.2.0','SN55980','',-2221,'2026-11-25T22:09:10.070095779Z','2026-11-25T22:09:10.070095779Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('tystie-1','plover','http://127.0.0.1:7481/tystie-1/device_service','choir',X'462F32B6956423A5AADD9BFC6BC459C4A0AD769B82A11EF7CDFFFF8634CF9275473E89D1A1A14F584DEEF5DE68D43D','Atlantic/Faroe','Plover','PB-4','4.2.0','SN39014','',-1,'2026-11-25T22:09:09.870238803Z','2026-11-25T22:09:09.870238803Z',1,'WET0WEST,M3.5.0/1,M10.5.0');
INSERT INTO "recorder" VALUES('yard-1','auk','on-site','',X'C48E20A2D5DE591E32255395B51713051793BE6F1D1700ED01C13E60','Atlantic/Faroe','','','','','',0,NULL,NULL,1,'');
CREATE TABLE rollout_step (
  id INTEGER PRIMARY KEY, rollout INTEGER NOT NULL REFERENCES work(id), wave INTEGER NOT NULL,
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, state TEXT NOT NULL, changes TEXT NOT NULL,
  detail TEXT NOT NULL DEFAULT '', updated_at TEXT NOT NULL, UNIQUE (rollout, camera));
INSERT INTO "rollout_step" VALUES(1,2,1,85,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:34.153657140Z');
INSERT INTO "rollout_step" VALUES(2,2,1,86,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:34.157562713Z');
INSERT INTO "rollout_step" VALUES(3,2,1,87,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:34.160884724Z');
INSERT INTO "rollout_step" VALUES(4,2,1,88,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:34.168975381Z');
INSERT INTO "rollout_step" VALUES(5,2,1,89,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:34.171377449Z');
INSERT INTO "rollout_step" VALUES(6,2,2,90,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:38.026773294Z');
INSERT INTO "rollout_step" VALUES(7,2,2,91,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.028063787Z');
INSERT INTO "rollout_step" VALUES(8,2,2,92,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.034156168Z');
INSERT INTO "rollout_step" VALUES(9,2,2,93,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.035344599Z');
INSERT INTO "rollout_step" VALUES(10,2,2,94,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.036334481Z');
INSERT INTO "rollout_step" VALUES(11,2,2,95,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.037302765Z');
INSERT INTO "rollout_step" VALUES(12,2,2,96,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:38.038276928Z');
INSERT INTO "rollout_step" VALUES(13,2,2,13,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.164291247Z');
INSERT INTO "rollout_step" VALUES(14,2,2,14,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.165495023Z');
INSERT INTO "rollout_step" VALUES(15,2,2,15,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.176264240Z');
INSERT INTO "rollout_step" VALUES(16,2,2,16,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.185470054Z');
INSERT INTO "rollout_step" VALUES(17,2,2,17,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.190694320Z');
INSERT INTO "rollout_step" VALUES(18,2,2,18,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.194706567Z');
INSERT INTO "rollout_step" VALUES(19,2,2,25,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.081279811Z');
INSERT INTO "rollout_step" VALUES(20,2,2,26,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.091177352Z');
INSERT INTO "rollout_step" VALUES(21,2,2,27,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.103632759Z');
INSERT INTO "rollout_step" VALUES(22,2,2,28,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.105895638Z');
INSERT INTO "rollout_step" VALUES(23,2,2,29,'VERIFIED','motion.detection	flag:on	flag:off
recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily alarm','','2026-11-25T22:03:37.117727622Z');
INSERT INTO "rollout_step" VALUES(24,2,2,30,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.129517412Z');
INSERT INTO "rollout_step" VALUES(25,2,2,31,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.132996664Z');
INSERT INTO "rollout_step" VALUES(26,2,2,32,'VERIFIED','recording.after-event	item:10	item:30
recording.frame-rate	item:25	item:8
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:37.158981987Z');
INSERT INTO "rollout_step" VALUES(27,2,2,69,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:1
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.716417555Z');
INSERT INTO "rollout_step" VALUES(28,2,2,70,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.719085228Z');
INSERT INTO "rollout_step" VALUES(29,2,2,71,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.721425704Z');
INSERT INTO "rollout_step" VALUES(30,2,2,72,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.726102070Z');
INSERT INTO "rollout_step" VALUES(31,2,2,73,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:BoP//gf//D/g/wDg+AA=
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.727382756Z');
INSERT INTO "rollout_step" VALUES(32,2,2,74,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.734178710Z');
INSERT INTO "rollout_step" VALUES(33,2,2,75,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:40
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.735424569Z');
INSERT INTO "rollout_step" VALUES(34,2,2,76,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:40.736610576Z');
INSERT INTO "rollout_step" VALUES(35,2,2,77,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.737537027Z');
INSERT INTO "rollout_step" VALUES(36,2,2,78,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.741787786Z');
INSERT INTO "rollout_step" VALUES(37,2,2,79,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.742913779Z');
INSERT INTO "rollout_step" VALUES(38,2,2,80,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.743831847Z');
INSERT INTO "rollout_step" VALUES(39,2,2,81,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.753983493Z');
INSERT INTO "rollout_step" VALUES(40,2,2,82,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:40.761796850Z');
INSERT INTO "rollout_step" VALUES(41,2,2,41,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.869904205Z');
INSERT INTO "rollout_step" VALUES(42,2,2,42,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.870941408Z');
INSERT INTO "rollout_step" VALUES(43,2,2,43,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.883897033Z');
INSERT INTO "rollout_step" VALUES(44,2,2,44,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.890883839Z');
INSERT INTO "rollout_step" VALUES(45,2,2,45,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.905849225Z');
INSERT INTO "rollout_step" VALUES(46,2,2,46,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.909852747Z');
INSERT INTO "rollout_step" VALUES(47,2,2,47,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.910839884Z');
INSERT INTO "rollout_step" VALUES(48,2,2,48,'VERIFIED','motion.sensitivity	item:3	item:4
recording.after-event	item:10	item:30
recording.before-event	item:3	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:37.911717675Z');
INSERT INTO "rollout_step" VALUES(49,2,2,57,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion|2027-06-19^2027-06-19^daily continuous
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','','2026-11-25T22:03:39.757876363Z');
INSERT INTO "rollout_step" VALUES(50,2,2,58,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','','2026-11-25T22:03:39.762401643Z');
INSERT INTO "rollout_step" VALUES(51,2,2,59,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','','2026-11-25T22:03:39.764930730Z');
INSERT INTO "rollout_step" VALUES(52,2,2,60,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','','2026-11-25T22:03:39.780330098Z');
INSERT INTO "rollout_step" VALUES(53,2,2,61,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-06:00 motion; sat,sun 06:00-07:00 continuous; sat,sun 07:00-22:00 motion','','2026-11-25T22:03:39.785134973Z');
INSERT INTO "rollout_step" VALUES(54,2,2,62,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:50	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:20	item:2
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion|winter-timetable^2026-11-01..2027-03-27^daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
recording.week	week:daily continuous	week:mon-fri 04:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-fri 09:30-22:00 motion; daily 22:00-04:00 continuous; sat,sun 04:00-22:00 motion','','2026-11-25T22:03:39.790497193Z');
INSERT INTO "rollout_step" VALUES(55,2,2,63,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:39.799793921Z');
INSERT INTO "rollout_step" VALUES(56,2,2,64,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:39.806864375Z');
INSERT INTO "rollout_step" VALUES(57,2,2,65,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:39.810614113Z');
INSERT INTO "rollout_step" VALUES(58,2,2,66,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:39.818867029Z');
INSERT INTO "rollout_step" VALUES(59,2,2,67,'VERIFIED','motion.sensitivity	item:50	item:55
motion.threshold	item:20	item:8
recording.after-event	item:10	item:20
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily motion','','2026-11-25T22:03:39.821988799Z');
INSERT INTO "rollout_step" VALUES(60,2,2,19,'VERIFIED','motion.areas	zones:Picture:0,0 100,0 100,100 0,100	zones:desks:10,30 55,30 55,95 10,95|doors:70,20 98,20 98,80 70,80
motion.sensitivity	item:8	item:12 8
motion.threshold	item:4	item:1 3
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.561667301Z');
INSERT INTO "rollout_step" VALUES(61,2,2,20,'VERIFIED','motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.573530405Z');
INSERT INTO "rollout_step" VALUES(62,2,2,21,'VERIFIED','motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.577740650Z');
INSERT INTO "rollout_step" VALUES(63,2,2,22,'VERIFIED','motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.587279422Z');
INSERT INTO "rollout_step" VALUES(64,2,2,23,'VERIFIED','motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.590377056Z');
INSERT INTO "rollout_step" VALUES(65,2,2,24,'VERIFIED','motion.sensitivity	item:8	item:10
motion.threshold	item:4	item:1
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon-thu,sat motion; fri,sun 00:00-15:00 motion; fri,sun 15:00-20:00 continuous; fri,sun 20:00-24:00 motion','','2026-11-25T22:03:36.594877717Z');
INSERT INTO "rollout_step" VALUES(66,2,2,33,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.047015891Z');
INSERT INTO "rollout_step" VALUES(67,2,2,34,'MISMATCHED','motion.analyses-per-second	item:2	item:5
motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','motion.analyses-per-second did not take: wrote 5, reads back 2','2026-11-25T22:03:37.051098006Z');
INSERT INTO "rollout_step" VALUES(68,2,2,35,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.058275075Z');
INSERT INTO "rollout_step" VALUES(69,2,2,36,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.063247204Z');
INSERT INTO "rollout_step" VALUES(70,2,2,37,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.064440558Z');
INSERT INTO "rollout_step" VALUES(71,2,2,38,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.107162425Z');
INSERT INTO "rollout_step" VALUES(72,2,2,39,'VERIFIED','motion.areas	mask:32x24:of8=	mask:32x24:s/8C4ADA8gA=
motion.sensitivity	item:auto	item:76
motion.threshold	item:900	item:637
recording.after-event	item:10	item:15
recording.before-event	item:5	item:6
recording.frame-rate	item:25	item:12
recording.week	week:daily continuous	week:mon 00:00-05:30 motion; mon-fri 05:30-09:30 continuous; mon-thu 09:30-05:30 motion; fri 09:30-24:00 motion; sat,sun motion','','2026-11-25T22:03:37.108438290Z');
INSERT INTO "rollout_step" VALUES(73,4,1,70,'VERIFIED','motion.sensitivity	item:40	item:70','','2026-11-25T22:09:00.692890766Z');
INSERT INTO "rollout_step" VALUES(74,4,1,72,'VERIFIED','motion.sensitivity	item:2	item:70','','2026-11-25T22:09:00.693864136Z');
INSERT INTO "rollout_step" VALUES(75,4,1,73,'VERIFIED','motion.areas	mask:22x18:AoP//v8AIXwAAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH8AAfwAB/AAH/2AA==	mask:22x18:BoP//gf//D/g/wDg+AA=','','2026-11-25T22:09:00.694647933Z');
INSERT INTO "rollout_step" VALUES(76,4,2,74,'VERIFIED','motion.areas	mask:22x18:0P8A8A==	mask:22x18:2f8A4PgA
motion.sensitivity	item:55	item:70
motion.sensitivity-by-time	levels:	levels:daily 21:00-05:30 55
motion.threshold	item:8	item:2','','2026-11-25T22:09:01.744271915Z');
INSERT INTO "rollout_step" VALUES(77,4,2,77,'VERIFIED','motion.sensitivity	item:100	item:55
motion.threshold	item:1	item:8','','2026-11-25T22:09:01.745191768Z');
INSERT INTO "rollout_step" VALUES(78,4,2,83,'VERIFIED','motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none','','2026-11-25T22:09:01.746683203Z');
INSERT INTO "rollout_step" VALUES(79,4,2,84,'VERIFIED','motion.sensitivity	item:50	item:60
motion.threshold	item:20	item:4
recording.after-event	item:10	item:15
recording.frame-rate	item:25	item:12
recording.special-days	days:	days:public-holidays^2027-03-25..2027-03-29, 2027-05-06, 2027-05-16..2027-05-17, 01-01 yearly, 07-28 yearly, 07-29 yearly, 12-24 yearly, 12-25 yearly, 12-26 yearly, 12-31 yearly^daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
recording.week	week:daily continuous	week:daily none','','2026-11-25T22:09:01.749916331Z');
CREATE TABLE template (name TEXT PRIMARY KEY, revision INTEGER NOT NULL);
INSERT INTO "template" VALUES('house',1);
INSERT INTO "template" VALUES('quay-outside',1);
INSERT INTO "template" VALUES('hall-inside',1);
INSERT INTO "template" VALUES('lanes',1);
INSERT INTO "template" VALUES('on-board',1);
INSERT INTO "template" VALUES('night-lamps',1);
INSERT INTO "template" VALUES('spare',1);
CREATE TABLE template_revision (
  name TEXT NOT NULL REFERENCES template(name) ON DELETE CASCADE, revision INTEGER NOT NULL, text TEXT NOT NULL,
  author TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (name, revision));
INSERT INTO "template_revision" VALUES('house',1,'template: house
title: Everyone, everywhere
motion:
  detection: on
  sensitivity: auto, else 60
  threshold: 1%
recording:
  switched-on: on
  week:
    - daily: motion
  special-days:
    public-holidays: daily 00:00-08:00 motion; daily 08:00-20:00 continuous; daily 20:00-24:00 motion
  before-event: 5s
  after-event: 15s
  frame-rate: 12fps
  keep-at-most: 30d
fixed:
  - recording.keep-at-most
','admin','2026-11-25T22:03:30.289553161Z');
INSERT INTO "template_revision" VALUES('quay-outside',1,'template: quay-outside
title: Open quays and aprons
motion:
  sensitivity: 70
  threshold: 0.6%
  sensitivity-by-time:
    - daily 21:00-05:30: 55
  areas:
    - ignore: swell
      polygon: [[0, 0.86], [1, 0.78], [1, 1], [0, 1]]
recording:
  week:
    - mon-fri 05:30-09:30: continuous
  special-days:
    winter-timetable: daily 00:00-06:30 motion; daily 06:30-10:00 continuous; daily 10:00-24:00 motion
  before-event: 6s
','admin','2026-11-25T22:03:30.302408554Z');
INSERT INTO "template_revision" VALUES('hall-inside',1,'template: hall-inside
title: Ticket halls and waiting rooms
motion:
  sensitivity: 50
  threshold: 1.5%
recording:
  week:
    - mon-thu,sat 05:00-23:30: motion
    - fri,sun 05:00-15:00: motion
    - fri,sun 15:00-20:00: continuous
    - fri,sun 20:00-23:30: motion
','admin','2026-11-25T22:03:30.306162490Z');
INSERT INTO "template_revision" VALUES('lanes',1,'template: lanes
title: Car lanes and barriers
motion:
  sensitivity: 55
  threshold: 2%
recording:
  after-event: 20s
','admin','2026-11-25T22:03:30.310360299Z');
INSERT INTO "template_revision" VALUES('on-board',1,'template: on-board
title: Decks, saloons and engine rooms
motion:
  sensitivity: 45
  threshold: 2.5%
recording:
  before-event: 3s
  frame-rate: 8fps
','admin','2026-11-25T22:03:30.311701721Z');
INSERT INTO "template_revision" VALUES('night-lamps',1,'template: night-lamps
title: Places where the lamps fail at night
recording:
  week:
    - daily 22:00-04:00: continuous
','admin','2026-11-25T22:03:30.314417153Z');
INSERT INTO "template_revision" VALUES('spare',1,'template: spare
title: Channels without a camera
recording:
  week:
    replace: ''true''
    windows:
      - daily: none
','admin','2026-11-25T22:03:30.316531952Z');
CREATE TABLE template_use (
  node TEXT NOT NULL, position INTEGER NOT NULL, template TEXT NOT NULL REFERENCES template(name),
  PRIMARY KEY (node, position), UNIQUE (node, template));
INSERT INTO "template_use" VALUES('fleet',0,'house');
INSERT INTO "template_use" VALUES('fleet/terminals/haldr/quay',0,'quay-outside');
INSERT INTO "template_use" VALUES('fleet/terminals/oycewick/quay',0,'quay-outside');
INSERT INTO "template_use" VALUES('fleet/terminals/oycewick/quay',1,'night-lamps');
INSERT INTO "template_use" VALUES('fleet/terminals/brannick/quay',0,'quay-outside');
INSERT INTO "template_use" VALUES('fleet/terminals/sandsay/quay',0,'quay-outside');
INSERT INTO "template_use" VALUES('fleet/terminals/haldr/hall',0,'hall-inside');
INSERT INTO "template_use" VALUES('fleet/terminals/oycewick/hall',0,'hall-inside');
INSERT INTO "template_use" VALUES('fleet/terminals/brannick/hall',0,'hall-inside');
INSERT INTO "template_use" VALUES('fleet/terminals/sandsay/hall',0,'hall-inside');
INSERT INTO "template_use" VALUES('fleet/terminals/haldr/lanes',0,'lanes');
INSERT INTO "template_use" VALUES('fleet/terminals/oycewick/lanes',0,'lanes');
INSERT INTO "template_use" VALUES('fleet/terminals/brannick/lanes',0,'lanes');
INSERT INTO "template_use" VALUES('fleet/terminals/sandsay/lanes',0,'lanes');
INSERT INTO "template_use" VALUES('fleet/terminals/sandsay/lanes',1,'night-lamps');
INSERT INTO "template_use" VALUES('fleet/vessels',0,'on-board');
INSERT INTO "template_use" VALUES('fleet/spare',0,'spare');
CREATE TABLE token (
  id INTEGER PRIMARY KEY, account TEXT NOT NULL REFERENCES account(name) ON DELETE CASCADE,
  label TEXT NOT NULL, hash TEXT NOT NULL UNIQUE, created_at TEXT NOT NULL, last_used_at TEXT);
INSERT INTO "token" VALUES(1,'admin','the demo','65d004a85583ce31d2652f77981e685710c1aeb3695377a771d69d99bf1ccd48','2026-11-25T22:03:25.181264829Z',NULL);
CREATE TABLE work (
  id INTEGER PRIMARY KEY, kind TEXT NOT NULL, state TEXT NOT NULL, selection TEXT NOT NULL, options TEXT NOT NULL,
  who TEXT NOT NULL, total INTEGER NOT NULL DEFAULT 0, done INTEGER NOT NULL DEFAULT 0,
  failed INTEGER NOT NULL DEFAULT 0, note TEXT NOT NULL DEFAULT '', created_at TEXT NOT NULL, ended_at TEXT);
INSERT INTO "work" VALUES(1,'reading','done','','brannick-1 brannick-2 corrie-1 haldr-1 haldr-2 oycewick-1 oycewick-2 sandsay-1 sandsay-2 tystie-1 yard-1','admin',11,11,0,'read 11 recorders','2026-11-25T22:03:26.139746247Z','2026-11-25T22:03:27.961175915Z');
INSERT INTO "work" VALUES(2,'rollout','done','not:recorder:sandsay-1 not:recorder:tystie-1 not:group:spare','5 100','admin',72,72,1,'71 verified, 1 mismatched','2026-11-25T22:03:30.907229941Z','2026-11-25T22:03:40.891473132Z');
INSERT INTO "work" VALUES(3,'audit','done','','','admin',11,11,1,'96 cameras: 49 in tune, 17 drifted, 18 waiting, 12 not read','2026-11-25T22:03:41.620742103Z','2026-11-25T22:03:43.273994621Z');
INSERT INTO "work" VALUES(4,'rollout','done','recorder:haldr-1','3 0','admin',7,7,0,'7 verified','2026-11-25T22:08:59.957989033Z','2026-11-25T22:09:01.770271278Z');
INSERT INTO "work" VALUES(5,'audit','done','','','admin',11,11,1,'96 cameras: 56 in tune, 12 drifted, 16 waiting, 12 not read','2026-11-25T22:09:09.720740724Z','2026-11-25T22:09:10.314015194Z');
CREATE INDEX "flyway_schema_history_s_idx" ON "flyway_schema_history" ("success");
CREATE TRIGGER journal_is_append_only_update BEFORE UPDATE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER journal_is_append_only_delete BEFORE DELETE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE INDEX camera_by_group ON camera (camera_group);
CREATE UNIQUE INDEX one_override_of_each_kind ON policy_override (node, key, (until IS NULL));
CREATE UNIQUE INDEX one_open_finding ON finding (recorder, ifnull(camera, 0), key) WHERE ended_at IS NULL;
CREATE INDEX journal_by_subject ON journal (subject, id);
COMMIT;