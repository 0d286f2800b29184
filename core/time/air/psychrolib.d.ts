declare module 'psychrolib' {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(celsius: number): number;
    GetTDewPointFromRelHum(celsius: number, rhFraction: number): number;
  };
  export default psychrolib;
}
