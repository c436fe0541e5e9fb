<template>
  <TankSheet :id="undefined" />
</template>
