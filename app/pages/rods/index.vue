<template>
  <RodsSheet :id="undefined" />
</template>
