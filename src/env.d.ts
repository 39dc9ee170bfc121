/// <reference path="../.astro/types.d.ts" />

declare namespace App {
  interface Locals {
    app: import('~/services/app').App;
    account: import('~/data').Account | null;
  }
}
