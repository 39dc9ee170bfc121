export { servedCountries, tableRates, zonesInOrder } from './delivery';
export { usualDelivery, type Delivery, type DeliveryZone } from './delivery.schema';
export { ALL_COUNTRIES, countryName, countryOf, isPostcode } from './countries';
