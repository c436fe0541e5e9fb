<template>
  <BenchSheet :id="undefined" />
</template>
