/**
 * Water that a component holds against suction.
 * Source: van Genuchten (1980), Soil Science Society of America Journal 44, 892–898, with m = 1 − 1/n (Mualem).
 */
import type { Component } from './components.ts';

/**
 * van Genuchten's α in 1/cm, solved so that the curve passes exactly through the component's water at 10 cm.
 * @throws RangeError when that water lies outside (air-dry, porosity).
 */
export function alphaPerCm(component: Component): number {
  const { totalPorosity, waterAt10cm, waterAirDry, shapeN } = component;
  const saturation = (waterAt10cm - waterAirDry) / (totalPorosity - waterAirDry);
  if (!(saturation > 0 && saturation < 1)) {
    throw new RangeError(`${component.id}: water at 10 cm must lie between air-dry water and total porosity`);
  }
  const m = 1 - 1 / shapeN;
  return (saturation ** (-1 / m) - 1) ** (1 / shapeN) / 10;
}

/**
 * Water by volume at a suction, 0 cm saturated. Pumice: 0.70 at 0 cm, 0.28 at 10 cm, 0.22 at 50 cm.
 * `alpha` may be passed in where many suctions are asked for.
 */
export function waterAt(component: Component, suctionCm: number, alpha = alphaPerCm(component)): number {
  const { totalPorosity, waterAirDry, shapeN } = component;
  if (suctionCm <= 0) return totalPorosity;
  const m = 1 - 1 / shapeN;
  return waterAirDry + (totalPorosity - waterAirDry) * (1 + (alpha * suctionCm) ** shapeN) ** -m;
}
