/** glTF 2.0 (Khronos, ISO/IEC 12113): reading models, writing models and baked cameras. */
package kite.exchange.gltf;
