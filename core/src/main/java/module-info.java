/** All computation: immutable records and pure functions; no interface, files, devices or clock. */
module nullroom.core {
  requires static transitive org.jspecify;
  requires JTransforms;
  requires java.management;
  requires jdk.management;
  requires org.apache.commons.csv;
  requires org.apache.commons.numbers.complex;
  requires org.apache.commons.statistics.descriptive;

  exports nullroom.core;
  exports nullroom.core.signal;
  exports nullroom.core.acoustics;
  exports nullroom.core.measure;
  exports nullroom.core.measure.altered;
  exports nullroom.core.measure.clip;
  exports nullroom.core.measure.noise;
  exports nullroom.core.measure.decay;
  exports nullroom.core.measure.take;
  exports nullroom.core.measure.voice;
  exports nullroom.core.measure.meter;
  exports nullroom.core.room;
  exports nullroom.core.predict;
  exports nullroom.core.book;
  exports nullroom.core.plan;
  exports nullroom.core.plan.mic;
  exports nullroom.core.plan.treatment;
}
