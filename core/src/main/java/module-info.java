/** All computation: immutable records and pure functions; no interface, files, devices or clock. */
module nullroom.core {
  requires static transitive org.jspecify;
  requires JTransforms;
  requires org.apache.commons.csv;
  requires org.apache.commons.numbers.complex;

  exports nullroom.core;
  exports nullroom.core.signal;
  exports nullroom.core.acoustics;
  exports nullroom.core.measure;
  exports nullroom.core.room;
  exports nullroom.core.predict;
  exports nullroom.core.plan;
}
